CREATE TABLE `account` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`account_id` varchar(190) NOT NULL,
	`provider_id` varchar(60) NOT NULL,
	`access_token` text,
	`refresh_token` text,
	`id_token` text,
	`access_token_expires_at` datetime(3),
	`refresh_token_expires_at` datetime(3),
	`scope` text,
	`password` text,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `account_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `invitation` (
	`id` uuid NOT NULL,
	`organization_id` uuid NOT NULL,
	`email` varchar(190) NOT NULL,
	`role` varchar(40),
	`status` varchar(40) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`inviter_id` uuid NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `invitation_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `member` (
	`id` uuid NOT NULL,
	`organization_id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`role` varchar(40) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `member_id` PRIMARY KEY(`id`),
	CONSTRAINT `member_uq` UNIQUE(`organization_id`,`user_id`)
);
--> statement-breakpoint
CREATE TABLE `organization` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`slug` varchar(120) NOT NULL,
	`logo` text,
	`metadata` text,
	`created_at` datetime(3) NOT NULL,
	CONSTRAINT `organization_id` PRIMARY KEY(`id`),
	CONSTRAINT `organization_slug_unique` UNIQUE(`slug`)
);
--> statement-breakpoint
CREATE TABLE `rate_limit` (
	`id` uuid NOT NULL,
	`key` varchar(190) NOT NULL,
	`count` int NOT NULL,
	`last_request` bigint NOT NULL,
	CONSTRAINT `rate_limit_id` PRIMARY KEY(`id`),
	CONSTRAINT `rate_limit_key_unique` UNIQUE(`key`)
);
--> statement-breakpoint
CREATE TABLE `session` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`token` varchar(190) NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`ip_address` varchar(64),
	`user_agent` text,
	`active_organization_id` uuid,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `session_id` PRIMARY KEY(`id`),
	CONSTRAINT `session_token_unique` UNIQUE(`token`)
);
--> statement-breakpoint
CREATE TABLE `user` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`email` varchar(190) NOT NULL,
	`email_verified` boolean NOT NULL DEFAULT false,
	`image` text,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `user_id` PRIMARY KEY(`id`),
	CONSTRAINT `user_email_unique` UNIQUE(`email`)
);
--> statement-breakpoint
CREATE TABLE `verification` (
	`id` uuid NOT NULL,
	`identifier` varchar(190) NOT NULL,
	`value` text NOT NULL,
	`expires_at` datetime(3) NOT NULL,
	`created_at` datetime(3) NOT NULL,
	`updated_at` datetime(3) NOT NULL,
	CONSTRAINT `verification_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `business` (
	`id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`zone` varchar(60) NOT NULL,
	`phone` varchar(40) NOT NULL,
	`mail_from` varchar(190) NOT NULL,
	`lat` double NOT NULL,
	`lon` double NOT NULL,
	`road_factor` double NOT NULL,
	`speed_km_h` double NOT NULL,
	`limits` json NOT NULL,
	`laid_out_to` date,
	CONSTRAINT `business_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `client` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`contact` varchar(120) NOT NULL,
	`email` varchar(190) NOT NULL,
	CONSTRAINT `client_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `client_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `desk_change` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`entity` varchar(40) NOT NULL,
	`entity_id` uuid NOT NULL,
	`at` datetime(3) NOT NULL,
	`field` varchar(80) NOT NULL,
	`old` json,
	`new` json,
	CONSTRAINT `desk_change_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `person` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`user_id` uuid,
	`client_id` uuid,
	`name` varchar(120) NOT NULL,
	`role` enum('office','technician','owner') NOT NULL,
	`units` json NOT NULL,
	`day_start_minute` int NOT NULL,
	`day_end_minute` int NOT NULL,
	`van_kg` double NOT NULL,
	CONSTRAINT `person_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `person_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `person_user_uq` UNIQUE(`business_id`,`user_id`)
);
--> statement-breakpoint
CREATE TABLE `salt_batch` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`source_id` uuid NOT NULL,
	`visit_id` uuid,
	`at` datetime(3) NOT NULL,
	`litres` double NOT NULL,
	`grams` double NOT NULL,
	`measured_psu` double NOT NULL,
	`batch_g_per_l` double NOT NULL,
	`learnt_g_per_l` double NOT NULL,
	`confirmed` boolean NOT NULL,
	`questioned` boolean NOT NULL,
	CONSTRAINT `salt_batch_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `salt_batch_visit_uq` UNIQUE(`visit_id`)
);
--> statement-breakpoint
CREATE TABLE `site` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`client_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`address` varchar(190) NOT NULL,
	`lat` double NOT NULL,
	`lon` double NOT NULL,
	`windows` json NOT NULL,
	`drain` enum('sewer','septic','garden') NOT NULL,
	`access` text NOT NULL,
	`set_up_minutes` int NOT NULL,
	`bucket_l` double NOT NULL,
	CONSTRAINT `site_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `site_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `source` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`facts` json NOT NULL,
	CONSTRAINT `source_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `source_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `tank` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`site_id` uuid NOT NULL,
	`source_id` uuid NOT NULL,
	`top_up_source_id` uuid NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` varchar(40) NOT NULL,
	`facts` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	`archived_at` datetime(3),
	CONSTRAINT `tank_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `tank_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `task` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`code` varchar(60) NOT NULL,
	`every_days` int NOT NULL,
	`give_days` int NOT NULL,
	`last_done_on` date NOT NULL,
	`slips` int NOT NULL DEFAULT 0,
	`last_skip_reason` varchar(400),
	`last_sector` int NOT NULL DEFAULT 0,
	`removed_at` datetime(3),
	CONSTRAINT `task_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `task_code_uq` UNIQUE(`business_id`,`tank_id`,`code`)
);
--> statement-breakpoint
CREATE TABLE `finding` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`visit_id` uuid,
	`kind` enum('safety','livestock','equipment','other') NOT NULL,
	`text` text NOT NULL,
	`state` enum('open','fixed','carried','owner') NOT NULL,
	`due_on` date,
	`seen_at` datetime(3) NOT NULL,
	CONSTRAINT `finding_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `job` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`kind` enum('letter','mail') NOT NULL,
	`payload` json NOT NULL,
	`run_at` datetime(3) NOT NULL,
	`owner` varchar(64),
	`lease_until` datetime(3),
	`attempts` int NOT NULL DEFAULT 0,
	`done_at` datetime(3),
	`failed_at` datetime(3),
	`error` text,
	CONSTRAINT `job_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `letter` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`client_id` uuid NOT NULL,
	`stop_id` uuid NOT NULL,
	`revision` int NOT NULL,
	`subject` varchar(190) NOT NULL,
	`html` mediumtext NOT NULL,
	`plain` text NOT NULL,
	`pdf` mediumblob NOT NULL,
	`token_hash` varchar(64) NOT NULL,
	`revoked_at` datetime(3),
	`created_at` datetime(3) NOT NULL,
	`queued_at` datetime(3),
	`sent_at` datetime(3),
	`opened_at` datetime(3),
	`send_error` varchar(400),
	CONSTRAINT `letter_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `letter_token_hash_unique` UNIQUE(`token_hash`),
	CONSTRAINT `letter_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `letter_revision_uq` UNIQUE(`stop_id`,`client_id`,`revision`)
);
--> statement-breakpoint
CREATE TABLE `level_log` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`visit_id` uuid,
	`on_date` date NOT NULL,
	`below_cm` double NOT NULL,
	`missing_l` double NOT NULL,
	`days` int,
	CONSTRAINT `level_log_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `level_log_visit_uq` UNIQUE(`visit_id`)
);
--> statement-breakpoint
CREATE TABLE `reading` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`visit_id` uuid,
	`parameter` varchar(24) NOT NULL,
	`entered` varchar(20) NOT NULL,
	`unit` varchar(20) NOT NULL,
	`method` varchar(40) NOT NULL,
	`value` double NOT NULL,
	`sigma` double NOT NULL,
	`level_share` double NOT NULL DEFAULT 1,
	`taken_at` datetime(3) NOT NULL,
	`on_date` date NOT NULL,
	CONSTRAINT `reading_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `step_log` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`visit_id` uuid,
	`step` varchar(80) NOT NULL,
	`on_date` date NOT NULL,
	`outcome` enum('done','skipped') NOT NULL,
	`minutes` double,
	`dirt` int,
	`interval_days` int,
	`reason` varchar(400),
	`sector` int,
	CONSTRAINT `step_log_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `tank_event` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`text` varchar(190) NOT NULL,
	`breaks_rate` boolean NOT NULL,
	CONSTRAINT `tank_event_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `tank_status` (
	`tank_id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`trim` enum('off','drifting','steady','unknown') NOT NULL,
	`why` json NOT NULL,
	`dots` json NOT NULL,
	`system_l` double NOT NULL,
	`next_due_on` date,
	`last_visit_on` date,
	`judged_on` date NOT NULL,
	`core_version` int NOT NULL,
	CONSTRAINT `tank_status_tank_id_pk` PRIMARY KEY(`tank_id`)
);
--> statement-breakpoint
CREATE TABLE `water_change` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`visit_id` uuid,
	`at` datetime(3) NOT NULL,
	`on_date` date NOT NULL,
	`out_l` double NOT NULL,
	`in_l` double NOT NULL,
	`system_l` double NOT NULL,
	`share` double NOT NULL,
	`chemistry` json NOT NULL,
	CONSTRAINT `water_change_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `water_change_visit_uq` UNIQUE(`visit_id`)
);
--> statement-breakpoint
CREATE TABLE `operation` (
	`op_id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`visit_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`device` varchar(64) NOT NULL,
	`seq` int NOT NULL,
	`type` varchar(24) NOT NULL,
	`body` json NOT NULL,
	`device_at` varchar(40) NOT NULL,
	`received_at` datetime(3) NOT NULL,
	`arrival` int NOT NULL,
	`status` enum('applied','waiting','refused') NOT NULL,
	`code` varchar(60),
	CONSTRAINT `operation_op_id_pk` PRIMARY KEY(`op_id`),
	CONSTRAINT `operation_seq_uq` UNIQUE(`visit_id`,`device`,`seq`)
);
--> statement-breakpoint
CREATE TABLE `series` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`site_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`rule` varchar(190) NOT NULL,
	`start_on` date NOT NULL,
	CONSTRAINT `series_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `series_business_uq` UNIQUE(`business_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `stop` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`site_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`series_id` uuid NOT NULL,
	`original_on` date NOT NULL,
	`on_date` date NOT NULL,
	`refill_after` boolean NOT NULL DEFAULT false,
	CONSTRAINT `stop_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `stop_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `stop_occurrence_uq` UNIQUE(`series_id`,`original_on`)
);
--> statement-breakpoint
CREATE TABLE `visit` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`stop_id` uuid NOT NULL,
	`tank_id` uuid NOT NULL,
	`on_date` date NOT NULL,
	`state` enum('planned','open','closed') NOT NULL DEFAULT 'planned',
	`version` int NOT NULL DEFAULT 0,
	`started_at` datetime(3),
	`closed_at` datetime(3),
	`minutes` double,
	`plan` json,
	CONSTRAINT `visit_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `visit_business_uq` UNIQUE(`business_id`,`id`),
	CONSTRAINT `visit_stop_uq` UNIQUE(`stop_id`,`tank_id`)
);
--> statement-breakpoint
ALTER TABLE `account` ADD CONSTRAINT `account_user_id_user_id_fk` FOREIGN KEY (`user_id`) REFERENCES `user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `invitation` ADD CONSTRAINT `invitation_organization_id_organization_id_fk` FOREIGN KEY (`organization_id`) REFERENCES `organization`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `invitation` ADD CONSTRAINT `invitation_inviter_id_user_id_fk` FOREIGN KEY (`inviter_id`) REFERENCES `user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `member` ADD CONSTRAINT `member_organization_id_organization_id_fk` FOREIGN KEY (`organization_id`) REFERENCES `organization`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `member` ADD CONSTRAINT `member_user_id_user_id_fk` FOREIGN KEY (`user_id`) REFERENCES `user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `session` ADD CONSTRAINT `session_user_id_user_id_fk` FOREIGN KEY (`user_id`) REFERENCES `user`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `business` ADD CONSTRAINT `business_id_organization_id_fk` FOREIGN KEY (`id`) REFERENCES `organization`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `client` ADD CONSTRAINT `client_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `desk_change` ADD CONSTRAINT `desk_change_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person` ADD CONSTRAINT `person_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person` ADD CONSTRAINT `person_user_id_user_id_fk` FOREIGN KEY (`user_id`) REFERENCES `user`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person` ADD CONSTRAINT `person_client_fk` FOREIGN KEY (`business_id`,`client_id`) REFERENCES `client`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `salt_batch` ADD CONSTRAINT `salt_batch_source_fk` FOREIGN KEY (`business_id`,`source_id`) REFERENCES `source`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site` ADD CONSTRAINT `site_client_fk` FOREIGN KEY (`business_id`,`client_id`) REFERENCES `client`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `source` ADD CONSTRAINT `source_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tank` ADD CONSTRAINT `tank_site_fk` FOREIGN KEY (`business_id`,`site_id`) REFERENCES `site`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tank` ADD CONSTRAINT `tank_source_fk` FOREIGN KEY (`business_id`,`source_id`) REFERENCES `source`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tank` ADD CONSTRAINT `tank_top_up_fk` FOREIGN KEY (`business_id`,`top_up_source_id`) REFERENCES `source`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `task` ADD CONSTRAINT `task_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `finding` ADD CONSTRAINT `finding_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `job` ADD CONSTRAINT `job_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `letter` ADD CONSTRAINT `letter_client_fk` FOREIGN KEY (`business_id`,`client_id`) REFERENCES `client`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `letter` ADD CONSTRAINT `letter_stop_fk` FOREIGN KEY (`business_id`,`stop_id`) REFERENCES `stop`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `level_log` ADD CONSTRAINT `level_log_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `reading` ADD CONSTRAINT `reading_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `step_log` ADD CONSTRAINT `step_log_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tank_event` ADD CONSTRAINT `tank_event_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tank_status` ADD CONSTRAINT `tank_status_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `water_change` ADD CONSTRAINT `water_change_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `operation` ADD CONSTRAINT `operation_visit_fk` FOREIGN KEY (`business_id`,`visit_id`) REFERENCES `visit`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `series` ADD CONSTRAINT `series_site_fk` FOREIGN KEY (`business_id`,`site_id`) REFERENCES `site`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `series` ADD CONSTRAINT `series_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `stop` ADD CONSTRAINT `stop_site_fk` FOREIGN KEY (`business_id`,`site_id`) REFERENCES `site`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `stop` ADD CONSTRAINT `stop_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `stop` ADD CONSTRAINT `stop_series_fk` FOREIGN KEY (`business_id`,`series_id`) REFERENCES `series`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `visit` ADD CONSTRAINT `visit_stop_fk` FOREIGN KEY (`business_id`,`stop_id`) REFERENCES `stop`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `visit` ADD CONSTRAINT `visit_tank_fk` FOREIGN KEY (`business_id`,`tank_id`) REFERENCES `tank`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `account_user_ix` ON `account` (`user_id`);--> statement-breakpoint
CREATE INDEX `session_user_ix` ON `session` (`user_id`);--> statement-breakpoint
CREATE INDEX `desk_change_entity_ix` ON `desk_change` (`business_id`,`entity_id`,`at`);--> statement-breakpoint
CREATE INDEX `salt_batch_source_ix` ON `salt_batch` (`business_id`,`source_id`,`at`);--> statement-breakpoint
CREATE INDEX `tank_site_ix` ON `tank` (`business_id`,`site_id`);--> statement-breakpoint
CREATE INDEX `finding_tank_ix` ON `finding` (`business_id`,`tank_id`,`state`);--> statement-breakpoint
CREATE INDEX `job_due_ix` ON `job` (`done_at`,`failed_at`,`run_at`);--> statement-breakpoint
CREATE INDEX `letter_time_ix` ON `letter` (`business_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `level_log_tank_ix` ON `level_log` (`business_id`,`tank_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `reading_tank_ix` ON `reading` (`business_id`,`tank_id`,`taken_at`);--> statement-breakpoint
CREATE INDEX `reading_visit_ix` ON `reading` (`business_id`,`visit_id`);--> statement-breakpoint
CREATE INDEX `step_log_tank_ix` ON `step_log` (`business_id`,`tank_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `step_log_visit_ix` ON `step_log` (`business_id`,`visit_id`);--> statement-breakpoint
CREATE INDEX `tank_event_tank_ix` ON `tank_event` (`business_id`,`tank_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `tank_status_trim_ix` ON `tank_status` (`business_id`,`trim`);--> statement-breakpoint
CREATE INDEX `water_change_tank_ix` ON `water_change` (`business_id`,`tank_id`,`at`);--> statement-breakpoint
CREATE INDEX `operation_visit_ix` ON `operation` (`business_id`,`visit_id`,`arrival`);--> statement-breakpoint
CREATE INDEX `stop_day_ix` ON `stop` (`business_id`,`on_date`,`person_id`);--> statement-breakpoint
CREATE INDEX `stop_site_ix` ON `stop` (`business_id`,`site_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `visit_tank_ix` ON `visit` (`business_id`,`tank_id`,`on_date`);--> statement-breakpoint
CREATE INDEX `visit_day_ix` ON `visit` (`business_id`,`on_date`,`state`,`tank_id`);