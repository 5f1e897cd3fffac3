CREATE TABLE `purifier_job` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`source_id` uuid NOT NULL,
	`code` varchar(60) NOT NULL,
	`last_done_on` date NOT NULL,
	`tds_mg_l` double,
	CONSTRAINT `purifier_job_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `purifier_job_uq` UNIQUE(`business_id`,`source_id`,`code`)
);
--> statement-breakpoint
ALTER TABLE `purifier_job` ADD CONSTRAINT `purifier_job_source_fk` FOREIGN KEY (`business_id`,`source_id`) REFERENCES `source`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;