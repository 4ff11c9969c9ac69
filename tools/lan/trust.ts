/** How a tablet comes to trust the shop's authority: a page to open there, and what is printed at the shell. */
import { copyFileSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import QRCode from 'qrcode';
import type { LanSettings, Settings } from '../settings.ts';
import type { Tls } from './authority.ts';

const fileName = 'vane-set-authority.crt';

const steps = [
	[
		'Android',
		'Settings, Security, Encryption and credentials, Install a certificate, CA certificate: choose the file.'
	],
	[
		'iPad',
		'Settings, Profile downloaded, Install. Then General, About, Certificate trust settings: switch it on.'
	],
	[
		'Windows',
		'Open the file, Install certificate, Local machine, Trusted root certification authorities.'
	],
	[
		'Linux, macOS',
		'In the browser’s settings, Certificates, Authorities: import the file and trust it for websites.'
	]
];

/** Fits two lines of a screen. */
const inTwo = (fingerprint: string): [string, string] => [
	fingerprint.slice(0, 47),
	fingerprint.slice(48)
];

/** Makes the page that nginx shows without TLS. */
export function writeTrustPage(folder: string, settings: Settings, tls: Tls): void {
	const open = join(folder, 'public');
	mkdirSync(open, { recursive: true });
	copyFileSync(tls.authority, join(open, fileName));
	writeFileSync(
		join(open, 'index.html'),
		`<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Vane Set: trust this shop once</title>
<style>
body { font: 18px/1.5 system-ui, sans-serif; color: #17201d; background: #f3f1ea; max-width: 38rem; margin: 2rem auto; padding: 0 1rem; }
a.go { display: inline-block; background: #12594c; color: #fff; padding: 1rem 1.5rem; font-weight: 600; text-decoration: none; margin: .5rem 0; }
dt { font-weight: 600; margin-top: .6rem; } dd { margin: 0; }
</style>
<h1>Trust this shop once</h1>
<ol>
<li><a class="go" href="${fileName}" download>Get the shop’s certificate</a>
<li>Before you trust it, let the device show its details: the SHA-256 fingerprint must be the one that the shop’s server printed when it started. If a letter differs, stop: it came from somebody else. (What a page like this one says of it proves nothing.)
<li>Let this device trust it:
<dl>${steps.map(([name, how]) => `<dt>${name}<dd>${how}`).join('')}</dl>
<li><a class="go" href="${settings.origin}">Open Vane Set</a>
</ol>
<p>The certificate speaks for addresses of this network only. Its key never leaves the server.</p>
`
	);
}

/** What `./vane start --lan` prints. */
export async function trustWords(settings: Settings, lan: LanSettings, tls: Tls): Promise<string> {
	// In colours of its own where it is seen; a log takes the bare blocks.
	const shown = process.stdout.isTTY ? 'terminal' : 'utf8';
	const square = async (url: string) =>
		(await QRCode.toString(url, { type: shown, small: true, errorCorrectionLevel: 'L' }))
			.split('\n')
			.map((line) => `    ${line}`)
			.join('\n');
	const trust = `http://${lan.address}:${lan.trustPort}/`;
	const [first, second] = inTwo(tls.fingerprint);
	return `
  On each tablet once:  ${trust}

${await square(trust)}
  Trusted only if the tablet shows this as its SHA-256 fingerprint:
    ${first}
    ${second}

  Then:  ${settings.origin}

${await square(settings.origin)}
  Devices, over TLS with the same certificate:  ${lan.address}:${lan.devicePort}
`;
}
