CREATE TABLE `find_entry` (
	`business_id` uuid NOT NULL,
	`entity` enum('client','site','tank','animal','equipment','letter') NOT NULL,
	`entity_id` uuid NOT NULL,
	`client_id` uuid NOT NULL,
	`title` varchar(190) NOT NULL,
	`detail` varchar(250) NOT NULL,
	CONSTRAINT `find_entry_business_id_entity_entity_id_pk` PRIMARY KEY(`business_id`,`entity`,`entity_id`)
);
--> statement-breakpoint
CREATE TABLE `find_vocabulary` (
	`business_id` uuid NOT NULL,
	`word` varchar(32) NOT NULL,
	CONSTRAINT `find_vocabulary_business_id_word_pk` PRIMARY KEY(`business_id`,`word`)
);
--> statement-breakpoint
CREATE TABLE `find_word` (
	`business_id` uuid NOT NULL,
	`word` varchar(32) NOT NULL,
	`entity` enum('client','site','tank','animal','equipment','letter') NOT NULL,
	`entity_id` uuid NOT NULL,
	`weight` double NOT NULL,
	CONSTRAINT `find_word_business_id_word_entity_entity_id_pk` PRIMARY KEY(`business_id`,`word`,`entity`,`entity_id`)
);
--> statement-breakpoint
CREATE INDEX `find_word_entry_ix` ON `find_word` (`business_id`,`entity`,`entity_id`);