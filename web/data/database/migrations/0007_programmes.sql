CREATE TABLE `firm_job` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`code` varchar(60) NOT NULL,
	`name` varchar(120) NOT NULL,
	`facts` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `firm_job_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `firm_job_code_uq` UNIQUE(`business_id`,`code`)
);
--> statement-breakpoint
ALTER TABLE `step_log` MODIFY COLUMN `outcome` enum('done','skipped','decided') NOT NULL;--> statement-breakpoint
ALTER TABLE `person` ADD `van_kit` json DEFAULT ('[]') NOT NULL;--> statement-breakpoint
ALTER TABLE `person` ADD `pace` double DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `task` ADD `cadence` json;--> statement-breakpoint
ALTER TABLE `task` ADD `performer` enum('technician','owner');--> statement-breakpoint
ALTER TABLE `task` ADD `minutes` double;--> statement-breakpoint
ALTER TABLE `task` ADD `pin` json;--> statement-breakpoint
ALTER TABLE `task` ADD `planned_on` date;--> statement-breakpoint
ALTER TABLE `firm_job` ADD CONSTRAINT `firm_job_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;