CREATE TABLE `macros` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`actions` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `banks` ADD `colour` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `banks` ADD `pageOf` text;--> statement-breakpoint
ALTER TABLE `banks` ADD `enter` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `banks` ADD `leave` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `home` text;--> statement-breakpoint
ALTER TABLE `controllers` ADD `longMs` integer DEFAULT 500 NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `doubleMs` integer DEFAULT 300 NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `onBank` text DEFAULT 'keeps' NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `hasShift` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `macros` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `combos` text;--> statement-breakpoint
ALTER TABLE `controllers` ADD `keeps` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `jack` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `layer` text DEFAULT 'base' NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `everywhere` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `longPress` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `doublePress` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `group` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `switches` ADD `lamps` text DEFAULT '[]' NOT NULL;