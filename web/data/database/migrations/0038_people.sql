CREATE TABLE IF NOT EXISTS `audit` (
	`id` uuid NOT NULL,
	`business_id` uuid NOT NULL,
	`person_id` uuid,
	`at` datetime(3) NOT NULL,
	`kind` enum('sign-in','second-factor','taken-out','brought-in','people','erased') NOT NULL,
	`what` varchar(190) NOT NULL,
	`address` varchar(64) NOT NULL DEFAULT '',
	CONSTRAINT `audit_id_pk` PRIMARY KEY(`id`),
	CONSTRAINT `audit_business_id_business_id_fk` FOREIGN KEY (`business_id`) REFERENCES `business`(`id`) ON DELETE no action ON UPDATE no action,
	CONSTRAINT `audit_person_fk` FOREIGN KEY (`business_id`,`person_id`) REFERENCES `person`(`business_id`,`id`) ON DELETE no action ON UPDATE no action,
	INDEX `audit_time_ix` (`business_id`,`at`),
	INDEX `audit_person_ix` (`business_id`,`person_id`,`at`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `passkey` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`name` varchar(120),
	`public_key` text NOT NULL,
	`credential_id` varchar(700) NOT NULL,
	`counter` bigint NOT NULL,
	`device_type` varchar(40) NOT NULL,
	`backed_up` boolean NOT NULL,
	`transports` varchar(190),
	`aaguid` varchar(60),
	`created_at` datetime(3),
	CONSTRAINT `passkey_id` PRIMARY KEY(`id`),
	CONSTRAINT `passkey_credential_id_unique` UNIQUE(`credential_id`),
	CONSTRAINT `passkey_user_id_user_id_fk` FOREIGN KEY (`user_id`) REFERENCES `user`(`id`) ON DELETE cascade ON UPDATE no action,
	INDEX `passkey_user_ix` (`user_id`)
);
--> statement-breakpoint
CREATE TABLE IF NOT EXISTS `two_factor` (
	`id` uuid NOT NULL,
	`user_id` uuid NOT NULL,
	`secret` text NOT NULL,
	`backup_codes` text NOT NULL,
	`verified` boolean NOT NULL DEFAULT false,
	`failed_verification_count` int NOT NULL DEFAULT 0,
	`locked_until` datetime(3),
	CONSTRAINT `two_factor_id` PRIMARY KEY(`id`),
	CONSTRAINT `two_factor_user_uq` UNIQUE(`user_id`),
	CONSTRAINT `two_factor_user_id_user_id_fk` FOREIGN KEY (`user_id`) REFERENCES `user`(`id`) ON DELETE cascade ON UPDATE no action
);
--> statement-breakpoint
ALTER TABLE `session` ADD COLUMN IF NOT EXISTS `second_factor` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `session` ADD COLUMN IF NOT EXISTS `proven_at` datetime(3);--> statement-breakpoint
ALTER TABLE `user` ADD COLUMN IF NOT EXISTS `two_factor_enabled` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `asks_second_factor` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `business` ADD COLUMN IF NOT EXISTS `retention` json;--> statement-breakpoint
ALTER TABLE `person` ADD COLUMN IF NOT EXISTS `erased_at` datetime(3);--> statement-breakpoint
ALTER TABLE `letter` ADD COLUMN IF NOT EXISTS `token_hash_before` varchar(64);--> statement-breakpoint
CREATE UNIQUE INDEX IF NOT EXISTS `letter_token_hash_before_unique` ON `letter` (`token_hash_before`);
