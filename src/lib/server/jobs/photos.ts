import { createHash } from 'node:crypto';
import type { Corner } from '../../../core/height/corners.ts';
import { findPicture, insertPicture } from '../db/pictures.ts';
import type { Database } from '../db/pool.ts';
import { notFound, Problem } from '../../../core/problem.ts';
import type { Entry } from '../../../core/job/book/entry.ts';
import { sameOrRefused } from '../same.ts';
import { tell, type Teller, type Told } from './book.ts';
import type { Shrink } from './shrink.ts';

export interface NewPhoto {
	id: string;
	corner: Corner | null;
	subject: string;
	note: string;
	takenAt: string;
	/** As a data URL. */
	image: string;
}

/** With what the edge knows of it. */
export type SentPhoto = NewPhoto & { device?: string; personId?: string; vouched?: boolean };

/** Keeps a photo with the job: turned upright, made small, rid of what the camera wrote into it. */
export async function addPhoto(
	db: Database,
	jobId: string,
	input: NewPhoto,
	{ person, vouchedBy, device = null }: Pick<Teller, 'person' | 'vouchedBy' | 'device'>,
	shrink: Shrink
): Promise<Told> {
	const { image } = input;
	const { jpeg, width, height } = await shrink(
		Buffer.from(image.slice(image.indexOf(',') + 1), 'base64')
	);
	const digest = createHash('sha256').update(jpeg).digest('hex');
	const { id, corner, subject: about, note, takenAt: enteredAt } = input;
	const command = { id, kind: 'photo', subject: id, enteredAt } as const;
	return db.transaction(async (tx) => {
		const told = await tell(tx, jobId, command, {
			person,
			vouchedBy,
			device,
			decide({ record }) {
				if (record.signedAt) throw new Problem(409, 'This job is signed; its record is closed.');
				const data = { corner, about, note, width, height, digest, withdrawn: false };
				const written = {
					personId: person.id,
					...(vouchedBy && { vouchedBy }),
					device,
					seen: record.seq,
					corrects: null
				};
				return [{ ...command, ...written, data }];
			}
		});
		const [{ data: kept }] = told.entries as [Entry<'photo'>];
		// Said again under the same id, it is the same picture of the same thing.
		sameOrRefused(id, kept, { digest, note, about, corner });
		await insertPicture(tx, { photoId: id, jobId, digest, jpeg });
		return told;
	});
}

/** @returns the picture as JPEG */
export async function picture(db: Database, jobId: string, id: string): Promise<Buffer> {
	const found = await findPicture(db, jobId, id);
	if (!found) throw notFound('photo');
	return found;
}
