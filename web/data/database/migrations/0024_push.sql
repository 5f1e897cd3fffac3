CREATE TABLE IF NOT EXISTS `push_subscription` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`endpoint` varchar(1000) NOT NULL,
	`endpoint_hash` varchar(64) NOT NULL,
	`p256dh` varchar(200) NOT NULL,
	`auth` varchar(100) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `push_subscription_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `push_endpoint_uq` UNIQUE(`endpoint_hash`),
	CONSTRAINT `push_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`)
);
--> statement-breakpoint
CREATE INDEX IF NOT EXISTS `push_person_ix` ON `push_subscription` (`business_id`,`person_id`);--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply','entry','ring') NOT NULL;