CREATE TABLE `floors` (
	`rigId` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL,
	`by` text NOT NULL,
	`revision` integer NOT NULL,
	`now` text NOT NULL,
	FOREIGN KEY (`rigId`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade
);
