/** How Chromium is started for tests, pictures and measurements. */
import { findProgram } from './system.js';

/** Debian's own, without the desktop around it where that is installed: it draws the same for less. */
export const launchOptions = {
	executablePath:
		process.env.CHROMIUM ?? findProgram('chromium-headless-shell') ?? findProgram('chromium'),
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync',
		'--no-first-run'
	]
};
