ALTER TABLE `controllers` ADD `keepsShow` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `shows` ADD `stepsOn` text DEFAULT 'sounds' NOT NULL;