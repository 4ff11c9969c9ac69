import sharp from 'sharp';
import type { Corner } from '../../../core/height/corners.ts';
import { photoSide, type Photo } from '../../../core/job/work-book.ts';
import { findPhoto, findPicture, insertPhoto, withdrawPhoto } from '../db/photos.ts';
import type { Database } from '../db/pool.ts';
import { notFound, Problem, refuse } from '../problem.ts';
import { holdOpenJob } from './change.ts';

export interface NewPhoto {
	id: string;
	corner: Corner | null;
	subject: string;
	note: string;
	takenAt: string;
	/** As a data URL. */
	image: string;
}

const mostPixels = 60e6;

/** Keeps a photo with the job: turned upright, made small, rid of what the camera wrote into it. */
export async function addPhoto(
	db: Database,
	jobId: string,
	input: NewPhoto,
	personId: string
): Promise<Photo> {
	const { data, info } = await shrunk(input.image);
	return db.transaction(async (tx) => {
		await holdOpenJob(tx, jobId);
		const earlier = await findPhoto(tx, input.id);
		if (earlier) {
			if (earlier.jobId !== jobId) throw new Problem(409, 'That photo belongs to another job.');
			return earlier.photo;
		}
		const photo: Photo = {
			id: input.id,
			corner: input.corner,
			subject: input.subject,
			note: input.note,
			width: info.width,
			height: info.height,
			withdrawn: false,
			personId,
			takenAt: input.takenAt
		};
		await insertPhoto(tx, jobId, photo, data);
		return photo;
	});
}

async function shrunk(image: string) {
	const bytes = Buffer.from(image.slice(image.indexOf(',') + 1), 'base64');
	try {
		return await sharp(bytes, { limitInputPixels: mostPixels })
			.rotate()
			.resize(photoSide, photoSide, { fit: 'inside', withoutEnlargement: true })
			.flatten({ background: '#ffffff' })
			.jpeg({ quality: 82, mozjpeg: true })
			.toBuffer({ resolveWithObject: true });
	} catch {
		throw refuse(
			'image',
			'cannot be read as a picture: take it again, or choose a JPEG, PNG or WebP'
		);
	}
}

/** @returns the picture as JPEG */
export async function picture(db: Database, jobId: string, id: string): Promise<Buffer> {
	const found = await findPicture(db, jobId, id);
	if (!found) throw notFound('photo');
	return found;
}

/** Takes a photo out of sight, or back; the picture stays with the job. */
export function changePhoto(
	db: Database,
	jobId: string,
	id: string,
	withdrawn: boolean
): Promise<Photo> {
	return db.transaction(async (tx) => {
		await holdOpenJob(tx, jobId);
		const found = await findPhoto(tx, id);
		if (!found || found.jobId !== jobId) throw notFound('photo');
		await withdrawPhoto(tx, id, withdrawn);
		return { ...found.photo, withdrawn };
	});
}
