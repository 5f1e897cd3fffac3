ALTER TABLE `animal_event` ADD COLUMN IF NOT EXISTS `count_before` int;--> statement-breakpoint
ALTER TABLE `animal_event` ADD COLUMN IF NOT EXISTS `visit_id` uuid;