CREATE TABLE `pedals` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`place` text NOT NULL,
	`roles` text NOT NULL,
	`takeover` text NOT NULL,
	`everyMs` integer NOT NULL,
	`calibration` text,
	`off` text,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `rides` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`on` text NOT NULL,
	`length` integer NOT NULL,
	`moves` text NOT NULL,
	`toes` text NOT NULL,
	`meant` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `controllers` ADD `thinsPedals` integer DEFAULT true NOT NULL;