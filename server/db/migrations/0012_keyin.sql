CREATE TABLE `keyIns` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`controllerId` text NOT NULL,
	`place` text NOT NULL,
	`content` text,
	`how` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `controllers` ADD `keying` text;