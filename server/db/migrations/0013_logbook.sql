CREATE TABLE `dumps` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`deviceId` text,
	`of` text NOT NULL,
	`name` text NOT NULL,
	`note` text NOT NULL,
	`messages` text NOT NULL,
	`from` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `notes` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`about` text,
	`name` text NOT NULL,
	`text` text NOT NULL,
	`fact` text NOT NULL,
	`revision` integer NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `devices` ADD `dumping` text;--> statement-breakpoint
ALTER TABLE `edits` ADD `name` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `rigs` ADD `deletedAt` text;