CREATE TABLE `runs` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`steps` text NOT NULL,
	`length` integer NOT NULL,
	`seen` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `controllers` ADD `onPower` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `entersAtPower` integer DEFAULT false NOT NULL;