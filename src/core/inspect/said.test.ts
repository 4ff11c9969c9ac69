import { describe, expect, it } from 'vitest';
import { findLayout } from '../layout/catalogue.ts';
import { hearFinding } from './said.ts';

const strut = () => findLayout('macpherson-front')!;
const beam = () => findLayout('twist-beam-spring')!;
const heard = (words: string, layout = strut, here?: 'FL' | 'RR') =>
	hearFinding(words, layout, here).map(
		({ corner, point, state }) => `${corner}/${point.key}/${state.key}`
	);

describe('a finding said in a sentence', () => {
	it.each([
		['front left drop link loose', 'FL/drop-link/loose'],
		['FR strut leaking badly', 'FR/damper-oil/leak'],
		['right front ball joint too stiff', 'FR/ball-joint/stiff'],
		['FL top mount rusted through', 'FL/mount-washer/rusted-through'],
		['fl inner tie rod has play', 'FL/tie-rod-end/play'],
		['FR cv boot split', 'FR/shaft-boot/split'],
		['left front spring snapped, lowest coil', 'FL/spring/broken'],
		['FL anti-roll bar bush knocks', 'FL/bar-bush/worn'],
		['FL oil on the strut is from the engine, leak above', 'FL/damper-oil/elsewhere'],
		['FR stabiliser link seized', 'FR/drop-link/seized']
	])('“%s” is %s', (words, key) => expect(heard(words)).toEqual([key]));

	it('takes the corner in hand where none is named', () => {
		expect(heard('spring sagged', beam, 'RR')).toEqual(['RR/spring/sagged']);
		expect(heard('spring sagged', beam)).toEqual([]);
		expect(heard('   ', beam, 'RR')).toEqual([]);
	});

	it('is of both corners where both are named', () => {
		expect(heard('FL and FR boots split, dust boot')).toEqual(['FL/boot/split', 'FR/boot/split']);
	});

	it('asks which where the point is known and its state is not', () => {
		expect(heard('FL drop link')).toEqual(['FL/drop-link/loose', 'FL/drop-link/seized']);
	});

	it('makes nothing worn out of a sentence that denies it or names nothing it knows', () => {
		expect(heard('FL ball joint has no play')).toEqual(['FL/general/seen']);
		expect(heard('FL something rattles in the sill')).toEqual(['FL/general/seen']);
	});

	it('speaks only of what this corner has', () => {
		expect(heard('RR tie rod has play', beam)).toEqual(['RR/general/seen']);
	});
});
