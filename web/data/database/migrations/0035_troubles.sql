ALTER TABLE `finding` ADD COLUMN IF NOT EXISTS `trouble` varchar(40);--> statement-breakpoint
ALTER TABLE `finding` ADD COLUMN IF NOT EXISTS `give_days` int;
