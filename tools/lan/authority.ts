/**
 * The shop's own certificate authority, and the certificate of its server: made once by OpenSSL, kept in the
 * instance's folder. A tablet that trusts the authority trusts the server, also after its certificate was renewed.
 */
import { X509Certificate } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import {
	chmodSync,
	existsSync,
	mkdirSync,
	readFileSync,
	renameSync,
	rmSync,
	writeFileSync
} from 'node:fs';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { program } from '../database.ts';
import { problem } from '../process.ts';

export interface Tls {
	/** Paths. */
	authority: string;
	certificate: string;
	key: string;
	/** SHA-256 of the authority's certificate, in pairs, for comparing by eye. */
	fingerprint: string;
}

const authorityDays = 3650;
/** Browsers take no certificate of a private authority that holds longer than 825 days; public ones hold 398. */
const certificateDays = 397;
/** Renewed at the first start within so many days of its end. */
const renewDays = 60;

function openssl(...args: string[]): void {
	const ran = spawnSync(program('openssl'), args, { encoding: 'utf8' });
	if (ran.status !== 0) throw problem(`openssl ${args[0]} failed: ${ran.stderr.trim()}`);
}

/** Files are made beside and renamed: what an interrupted start leaves is never taken for whole. */
function make(files: readonly string[], work: (...partial: string[]) => void): void {
	const partial = files.map((file) => `${file}.partial`);
	work(...partial);
	for (const [i, file] of files.entries()) {
		chmodSync(partial[i]!, file.endsWith('.key') ? 0o600 : 0o644);
		renameSync(partial[i]!, file);
	}
}

/**
 * @param folder where they are kept
 * @param address IP address or name that tablets open
 */
export function tlsFor(folder: string, address: string, now = new Date()): Tls {
	const made = makeFor(folder, address, now);
	if (speaksFor(made)) return made;
	console.error(
		`vane: the shop’s authority does not speak for ${address}: a new one is made, and each tablet must trust it once.`
	);
	rmSync(made.authority);
	return makeFor(folder, address, now);
}

function speaksFor({ authority, certificate }: Tls): boolean {
	const checked = spawnSync(program('openssl'), ['verify', '-CAfile', authority, certificate]);
	return checked.status === 0;
}

function makeFor(folder: string, address: string, now: Date): Tls {
	mkdirSync(folder, { recursive: true });
	chmodSync(folder, 0o711);
	const at = (name: string) => join(folder, name);
	const [authority, authorityKey] = [at('authority.crt'), at('authority.key')];
	const [certificate, key] = [at('server.crt'), at('server.key')];
	if (!existsSync(authority) || !existsSync(authorityKey)) {
		for (const old of [authority, certificate]) rmSync(old, { force: true });
		make([authorityKey, authority], (newKey, newAuthority) =>
			openssl(
				...['req', '-x509', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes'],
				...['-keyout', newKey!, '-out', newAuthority!, '-days', String(authorityDays)],
				...['-subj', `/O=Vane Set/CN=Vane Set at ${hostname().slice(0, 40)}`],
				...['-addext', 'basicConstraints=critical,CA:TRUE,pathlen:0'],
				...['-addext', 'keyUsage=critical,keyCertSign,cRLSign'],
				...['-addext', `nameConstraints=critical,${permitted(address)}`]
			)
		);
	}
	if (!holds(certificate, key, address, now)) {
		const [request, extensions] = [at('server.csr'), at('server.ext')];
		writeFileSync(
			extensions,
			`subjectAltName=${names(address).join(',')}\nkeyUsage=critical,digitalSignature\nextendedKeyUsage=serverAuth\nbasicConstraints=critical,CA:FALSE\n`
		);
		make([key, certificate], (newKey, newCertificate) => {
			openssl(
				...['req', '-new', '-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes'],
				...['-keyout', newKey!, '-out', request, '-subj', `/O=Vane Set/CN=${address}`]
			);
			openssl(
				...['x509', '-req', '-in', request, '-CA', authority, '-CAkey', authorityKey],
				...['-CAcreateserial', '-out', newCertificate!, '-days', String(certificateDays)],
				...['-extfile', extensions]
			);
		});
		for (const left of [request, extensions]) rmSync(left, { force: true });
	}
	const { fingerprint256: fingerprint } = new X509Certificate(readFileSync(authority));
	return { authority, certificate, key, fingerprint };
}

const names = (address: string): string[] => [
	`${isIP(address) ? 'IP' : 'DNS'}:${address}`,
	...(address === '127.0.0.1' ? [] : ['IP:127.0.0.1']),
	'DNS:localhost'
];

/** Whoever steals the authority's key can speak for addresses of a shop's network only (RFC 5280, 4.2.1.10). */
const permitted = (address: string): string =>
	[
		'IP:10.0.0.0/255.0.0.0',
		'IP:172.16.0.0/255.240.0.0',
		'IP:192.168.0.0/255.255.0.0',
		'IP:169.254.0.0/255.255.0.0',
		'IP:127.0.0.0/255.0.0.0',
		'DNS:localhost',
		'DNS:local',
		isIP(address) ? `IP:${address}/255.255.255.255` : `DNS:${address}`
	]
		.map((name) => `permitted;${name}`)
		.join(',');

function holds(certificate: string, key: string, address: string, now: Date): boolean {
	if (!existsSync(certificate) || !existsSync(key)) return false;
	const found = new X509Certificate(readFileSync(certificate));
	const ends = new Date(found.validTo).getTime() - now.getTime();
	const named = isIP(address) ? found.checkIP(address) : found.checkHost(address);
	return named !== undefined && ends > renewDays * 24 * 3_600_000;
}
