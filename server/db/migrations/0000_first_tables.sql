CREATE TABLE `about` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`name` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `banks` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`controllerId` text NOT NULL,
	`index` integer NOT NULL,
	`name` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rigId`,`controllerId`) REFERENCES `controllers`(`rigId`,`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `cables` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`from` text NOT NULL,
	`to` text NOT NULL,
	`lead` text NOT NULL,
	`adapters` text NOT NULL,
	`centimetres` integer NOT NULL,
	`colour` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `controllers` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`rows` integer NOT NULL,
	`columns` integer NOT NULL,
	`keepsSwitches` integer NOT NULL,
	`bankCount` integer NOT NULL,
	`firstBank` integer NOT NULL,
	`messagesPerEvent` integer NOT NULL,
	`labelLength` integer,
	`firstPreset` integer NOT NULL,
	`highestProgram` integer NOT NULL,
	`sendsBankSelect` integer NOT NULL,
	`events` text NOT NULL,
	`pressWithLong` text NOT NULL,
	`colours` integer NOT NULL,
	`sendsClock` integer NOT NULL,
	`separateOutputs` integer NOT NULL,
	`builtInPedals` integer NOT NULL,
	`chords` text NOT NULL,
	`editGesture` text NOT NULL,
	`saving` text NOT NULL,
	`ports` text NOT NULL,
	`spot` text,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `controls` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`deviceId` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`section` text NOT NULL,
	`address` text NOT NULL,
	`reading` text NOT NULL,
	`kind` text NOT NULL,
	`map` text NOT NULL,
	`source` text NOT NULL,
	`note` text NOT NULL,
	`origin` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rigId`,`deviceId`) REFERENCES `devices`(`rigId`,`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `devices` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`channel` text NOT NULL,
	`factoryChannel` text NOT NULL,
	`isChannelFixed` integer NOT NULL,
	`sharesChannel` integer NOT NULL,
	`numbering` text NOT NULL,
	`receivesPrograms` integer NOT NULL,
	`sendsProgramsBack` integer NOT NULL,
	`followsClock` integer NOT NULL,
	`relays` text NOT NULL,
	`saving` text NOT NULL,
	`ports` text NOT NULL,
	`spot` text,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `edits` (
	`rigId` text NOT NULL,
	`revision` integer NOT NULL,
	`id` text NOT NULL,
	`at` text NOT NULL,
	`label` text NOT NULL,
	`changes` text NOT NULL,
	PRIMARY KEY(`rigId`, `revision`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `edits_by_id` ON `edits` (`rigId`,`id`);--> statement-breakpoint
CREATE TABLE `marks` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`line` text NOT NULL,
	`said` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `pairs` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`deviceId` text NOT NULL,
	`order` real NOT NULL,
	`name` text NOT NULL,
	`by` text NOT NULL,
	`a` text NOT NULL,
	`b` text NOT NULL,
	`isLocked` integer NOT NULL,
	`losesAll` text NOT NULL,
	`learned` text,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rigId`,`deviceId`) REFERENCES `devices`(`rigId`,`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `presets` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`deviceId` text NOT NULL,
	`index` integer NOT NULL,
	`name` text NOT NULL,
	`purpose` text NOT NULL,
	`notes` text NOT NULL,
	`level` real,
	`recalls` text NOT NULL,
	`entered` text NOT NULL,
	`lacks` text NOT NULL,
	`closes` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rigId`,`deviceId`) REFERENCES `devices`(`rigId`,`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `rigs` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`createdAt` text NOT NULL,
	`changedAt` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `switches` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`bankId` text NOT NULL,
	`number` integer NOT NULL,
	`label` text NOT NULL,
	`positions` text NOT NULL,
	`release` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`rigId`,`bankId`) REFERENCES `banks`(`rigId`,`id`) ON UPDATE no action ON DELETE no action
);
