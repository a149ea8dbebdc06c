CREATE TABLE `practices` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`on` text NOT NULL,
	`calls` integer NOT NULL,
	`misses` integer NOT NULL,
	`wrongSteps` integer NOT NULL,
	`found` integer NOT NULL,
	`foundMs` integer NOT NULL,
	`pairs` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
