/**
 * Photos on their way to the server: made small here, kept in the browser's database until the server has
 * them, and sent again when the network is back. The id makes a photo sent twice the same photo.
 */
import type { Corner } from '$core/height/corners';
import type { Entry } from '$core/job/book/entry';
import { photoSide } from '$core/job/model';
import { del, entries, set } from 'idb-keyval';
import { v7 as uuidv7 } from 'uuid';
import { isAway } from './away';
import { call, type Refusal } from './api';
import { thisDevice } from './device';
import { outbox } from './outbox.svelte';
import { taken } from './refresh';

export interface WaitingPhoto {
	id: string;
	jobId: string;
	corner: Corner | null;
	subject: string;
	note: string;
	takenAt: string;
	/** As a data URL. */
	image: string;
	/** Whose it is; absent in photos of before. */
	personId?: string;
}

const retryMs = 5000;
const prefix = 'photo-';

class PhotoBox {
	/** Of whoever is signed in here, and of others: theirs wait until they are. */
	photos = $state<WaitingPhoto[]>([]);
	refusal = $state<Refusal>();
	#sending = false;
	#timer: ReturnType<typeof setTimeout> | undefined;

	/** On their way. */
	get waiting(): WaitingPhoto[] {
		const me = outbox.person?.id;
		return this.photos.filter(({ personId = me }) => me !== undefined && personId === me);
	}

	/** Reads what an earlier page left behind, and sends it. Call once in the browser. */
	async open(): Promise<void> {
		const kept = await entries<string, WaitingPhoto>().catch(() => []);
		this.photos = kept.filter(([key]) => String(key).startsWith(prefix)).map(([, photo]) => photo);
		addEventListener('online', () => void this.send());
		void this.send();
	}

	/** @throws when the file is not a picture the browser can read */
	async add(file: Blob, about: Pick<WaitingPhoto, 'jobId' | 'corner' | 'subject' | 'note'>) {
		const image = await shrunk(file);
		const personId = outbox.person?.id;
		const photo = {
			...about,
			id: uuidv7(),
			takenAt: new Date().toISOString(),
			image,
			...(personId && { personId })
		};
		this.photos.push(photo);
		await set(prefix + photo.id, photo).catch(() => {});
		await this.send();
	}

	async send(): Promise<void> {
		if (this.#sending) return;
		this.#sending = true;
		clearTimeout(this.#timer);
		for (let photo = this.waiting[0]; photo; photo = this.waiting[0]) {
			const { jobId, ...body } = $state.snapshot(photo);
			const answer = await call<{ entries: Entry[] }>('POST', `/jobs/${jobId}/photos`, {
				...body,
				device: thisDevice()
			});
			if (!answer.ok && isAway(answer.refusal)) {
				this.#timer = setTimeout(() => void this.send(), retryMs);
				break;
			}
			this.refusal = answer.ok ? undefined : answer.refusal;
			if (answer.ok) await taken(jobId, answer.value?.entries ?? []);
			this.photos = this.photos.filter(({ id }) => id !== photo.id);
			await del(prefix + photo.id).catch(() => {});
		}
		this.#sending = false;
	}
}

/** As JPEG, upright, its longest side cut to what the server keeps. */
async function shrunk(file: Blob): Promise<string> {
	const picture = await createImageBitmap(file, { imageOrientation: 'from-image' });
	const scale = Math.min(1, photoSide / Math.max(picture.width, picture.height));
	const canvas = document.createElement('canvas');
	canvas.width = Math.round(picture.width * scale);
	canvas.height = Math.round(picture.height * scale);
	canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
	picture.close();
	return canvas.toDataURL('image/jpeg', 0.85);
}

export const photoBox = new PhotoBox();
