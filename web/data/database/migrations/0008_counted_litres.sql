ALTER TABLE `water_change` MODIFY COLUMN `in_l` double;--> statement-breakpoint
ALTER TABLE `water_change` ADD `top_up_l` double;