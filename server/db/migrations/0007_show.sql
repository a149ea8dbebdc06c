CREATE TABLE `parts` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`songId` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`soundId` text,
	`lasts` text,
	`ahead` text,
	`tonight` text,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rigId`,`songId`) REFERENCES `songs`(`rigId`,`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `shows` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`songIds` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `about` ADD `showId` text;--> statement-breakpoint
ALTER TABLE `about` ADD `player` text DEFAULT '{"foot":"right","posture":"standing","bootMm":100,"reachMm":600}' NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `columnMm` integer DEFAULT 65 NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `rowMm` integer DEFAULT 100 NOT NULL;--> statement-breakpoint
ALTER TABLE `songs` ADD `key` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `songs` ADD `beatsPerBar` integer DEFAULT 4 NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `isPinned` integer DEFAULT false NOT NULL;