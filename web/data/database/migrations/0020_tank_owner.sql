ALTER TABLE `person` MODIFY COLUMN `role` enum('office','lead','technician','owner','tankOwner') NOT NULL;--> statement-breakpoint
UPDATE `person` SET `role` = 'tankOwner' WHERE `role` = 'owner';--> statement-breakpoint
ALTER TABLE `person` MODIFY COLUMN `role` enum('office','lead','technician','tankOwner') NOT NULL;
