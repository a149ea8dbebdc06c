CREATE TABLE `nevers` (
	`rigId` text NOT NULL,
	`id` text NOT NULL,
	`order` real NOT NULL,
	`things` text NOT NULL,
	PRIMARY KEY(`rigId`, `id`),
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
