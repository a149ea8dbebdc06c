CREATE TABLE `sounds` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`parentId` text,
	`purpose` text NOT NULL,
	`notes` text NOT NULL,
	`colour` text NOT NULL,
	`tempo` real,
	`cells` text NOT NULL,
	`sending` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `about` ADD `unsaid` text DEFAULT 'leave' NOT NULL;--> statement-breakpoint
ALTER TABLE `about` ADD `school` text DEFAULT 'absolute' NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `waitMs` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `controllers` ADD `runningStatus` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `bypass` text DEFAULT '{"kind":"none"}' NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `rest` text;--> statement-breakpoint
ALTER TABLE `devices` ADD `deafMs` integer DEFAULT 20 NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `whileDeaf` text DEFAULT 'loses' NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `gap` text DEFAULT '{"heard":"slight","ms":20}' NOT NULL;--> statement-breakpoint
ALTER TABLE `devices` ADD `powerOn` integer;