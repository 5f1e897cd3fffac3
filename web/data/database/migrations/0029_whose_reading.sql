ALTER TABLE `reading` MODIFY COLUMN `item` varchar(120);
--> statement-breakpoint
ALTER TABLE `reading_correction` ADD COLUMN IF NOT EXISTS `item` varchar(120);