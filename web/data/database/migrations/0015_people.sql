CREATE TABLE `sign_in_try` (
	`id` uuid NOT NULL,
	`email` varchar(190) NOT NULL,
	`address` varchar(64) NOT NULL,
	`at` datetime(3) NOT NULL,
	`succeeded` boolean NOT NULL,
	CONSTRAINT `sign_in_try_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `person` MODIFY COLUMN `role` enum('office','lead','technician','owner') NOT NULL;--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply','entry') NOT NULL;--> statement-breakpoint
ALTER TABLE `person` ADD `left_at` datetime(3);--> statement-breakpoint
CREATE INDEX `sign_in_try_email_ix` ON `sign_in_try` (`email`,`at`);--> statement-breakpoint
CREATE INDEX `sign_in_try_address_ix` ON `sign_in_try` (`address`,`at`);--> statement-breakpoint
UPDATE `user` SET `email_verified` = true;