/**
 * A program of its own: a picture comes in at standard input, and goes out upright, small, and rid of what the
 * camera wrote into it, as JPEG behind one line with its width and height. What is in a picture may bring a
 * decoder down; then it is this process that ends.
 */
import { buffer } from 'node:stream/consumers';
import sharp from 'sharp';
import { photoSide } from '../../../core/job/model.ts';

const mostPixels = 60e6;
const readers = ['VipsForeignLoadJpeg', 'VipsForeignLoadPng', 'VipsForeignLoadWebp'];

sharp.concurrency(1);
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({ operation: readers });

const { data, info } = await sharp(await buffer(process.stdin), { limitInputPixels: mostPixels })
	.rotate()
	.resize(photoSide, photoSide, { fit: 'inside', withoutEnlargement: true })
	.flatten({ background: '#ffffff' })
	.jpeg({ quality: 82, mozjpeg: true })
	.toBuffer({ resolveWithObject: true });
process.stdout.write(`${info.width} ${info.height}\n`);
process.stdout.write(data);
