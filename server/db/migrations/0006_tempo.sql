CREATE TABLE `songs` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`tempo` real,
	`tonight` text,
	`countIn` integer,
	`notes` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `banks` ADD `songId` text;--> statement-breakpoint
ALTER TABLE `controllers` ADD `followsClock` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `tapForgetsMs` integer DEFAULT 2000 NOT NULL;--> statement-breakpoint
ALTER TABLE `controls` ADD `division` text;--> statement-breakpoint
ALTER TABLE `devices` ADD `givesClock` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `clockHarms` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `tapIn` text;--> statement-breakpoint
ALTER TABLE `devices` ADD `looper` text;