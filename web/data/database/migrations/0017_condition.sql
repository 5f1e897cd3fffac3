ALTER TABLE `tank_status` CHANGE COLUMN IF EXISTS `trim` `condition` enum('off','drifting','steady','unknown') NOT NULL;--> statement-breakpoint
ALTER TABLE `tank_status` RENAME INDEX IF EXISTS `tank_status_trim_ix` TO `tank_status_condition_ix`;
