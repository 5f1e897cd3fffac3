ALTER TABLE `reading` ADD COLUMN IF NOT EXISTS `person_id` uuid;
