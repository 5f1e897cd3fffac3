ALTER TABLE `photo` ADD COLUMN IF NOT EXISTS `visit_id` uuid;--> statement-breakpoint
ALTER TABLE `photo` ADD COLUMN IF NOT EXISTS `spot` enum('tank','step','finding','animal') DEFAULT 'tank' NOT NULL;--> statement-breakpoint
ALTER TABLE `photo` ADD COLUMN IF NOT EXISTS `spot_id` varchar(80) DEFAULT '' NOT NULL;