CREATE TABLE `import_file` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid NOT NULL,
	`kind` varchar(24) NOT NULL,
	`file_name` varchar(190) NOT NULL,
	`encoding` varchar(40) NOT NULL,
	`delimiter` varchar(4) NOT NULL,
	`headings` json NOT NULL,
	`meanings` json NOT NULL,
	`style` json NOT NULL,
	`zone` varchar(60),
	`state` enum('staged','checking','checked','applying','done','cancelled','failed','undone') NOT NULL,
	`rows_total` int NOT NULL,
	`rows_done` int NOT NULL DEFAULT 0,
	`counts` json NOT NULL,
	`leave_out_errors` boolean NOT NULL DEFAULT false,
	`cancel_asked` boolean NOT NULL DEFAULT false,
	`error` text,
	`at` datetime(3) NOT NULL,
	`done_at` datetime(3),
	CONSTRAINT `import_file_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `import_reading` (
	`id` uuid NOT NULL,
	`import_id` uuid NOT NULL,
	`row_no` int NOT NULL,
	`tank_id` uuid NOT NULL,
	`parameter` varchar(24) NOT NULL,
	`entered` varchar(20) NOT NULL,
	`unit` varchar(20) NOT NULL,
	`method` varchar(40) NOT NULL,
	`value` double NOT NULL,
	`sigma` double NOT NULL,
	`taken_at` datetime(3) NOT NULL,
	`on_date` date NOT NULL,
	`known` boolean NOT NULL DEFAULT false,
	CONSTRAINT `import_reading_id_pk` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `import_row` (
	`import_id` uuid NOT NULL,
	`row_no` int NOT NULL,
	`cells` json NOT NULL,
	`state` enum('raw','new','change','same','error') NOT NULL DEFAULT 'raw',
	`issues` json,
	`values` json,
	`target_id` uuid,
	CONSTRAINT `import_row_import_id_row_no_pk` PRIMARY KEY(`import_id`,`row_no`)
);
--> statement-breakpoint
ALTER TABLE `job` MODIFY COLUMN `kind` enum('letter','mail','import-check','import-apply') NOT NULL;--> statement-breakpoint
ALTER TABLE `reading` ADD `import_id` uuid;--> statement-breakpoint
ALTER TABLE `import_file` ADD CONSTRAINT `import_file_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `import_file_time_ix` ON `import_file` (`business_id`,`at`);--> statement-breakpoint
CREATE INDEX `import_reading_same_ix` ON `import_reading` (`import_id`,`tank_id`,`taken_at`,`parameter`);--> statement-breakpoint
CREATE INDEX `import_reading_row_ix` ON `import_reading` (`import_id`,`row_no`);--> statement-breakpoint
CREATE INDEX `import_row_state_ix` ON `import_row` (`import_id`,`state`,`row_no`);--> statement-breakpoint
CREATE INDEX `reading_import_ix` ON `reading` (`import_id`);