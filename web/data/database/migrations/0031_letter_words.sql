ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `voice` json;
--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `phrases` json DEFAULT ('[]') NOT NULL;
--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `letter_way` enum('by-hand','by-itself') DEFAULT 'by-hand' NOT NULL;
--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `letter_hour` int;
--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `content` json;
--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `original` json;
--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `edited_by` uuid;
--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `edited_at` datetime(3);
--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `set_at` datetime(3);
