import { describe, expect, it } from 'vitest';
import { composeLayout, type Fragment, type LayoutFile } from './compose';
import { findLayout } from './catalogue';
import { fragments } from './fragments';

const file = (change: Partial<LayoutFile['assembly']>, joints: LayoutFile['joints'] = []) =>
	({
		key: 'made-up',
		joints,
		assembly: { parts: [], contacts: [], covers: [], ways: {}, ...change }
	}) as unknown as LayoutFile;

const shared: Record<string, Fragment> = {
	brake: {
		parts: { caliper: { name: 'Caliper', kind: 'caliper', shared: true } },
		contacts: { hose: { between: ['brake-hose', 'body'], slackMm: 250 } }
	}
};

describe('a layout is composed', () => {
	it('of what it names, in its order, and of its own', () => {
		const own = { key: 'axle', name: 'Axle', kind: 'axle' as const };
		const { assembly } = composeLayout(file({ parts: [own, 'brake/caliper'] }), shared);
		expect(assembly.parts).toEqual([
			own,
			{ key: 'caliper', name: 'Caliper', kind: 'caliper', shared: true }
		]);
	});

	it('of what is like another: what is said beside it wins, null takes away', () => {
		const { assembly } = composeLayout(
			file({
				parts: [{ like: 'brake/caliper', name: 'Caliper and bracket', shared: null }],
				contacts: [{ like: 'brake/hose', slackMm: 180 }]
			}),
			shared
		);
		expect(assembly.parts).toEqual([
			{ key: 'caliper', name: 'Caliper and bracket', kind: 'caliper' }
		]);
		expect(assembly.contacts).toEqual([{ between: ['brake-hose', 'body'], slackMm: 180 }]);
	});

	it('of nothing that no fragment has', () => {
		for (const line of ['brake/drum', 'wheel/caliper', 'caliper'])
			expect(() => composeLayout(file({ parts: [line] }), shared)).toThrow(
				`layout 'made-up': no fragment has '${line}' among its parts`
			);
		expect(() => composeLayout(file({}, ['brake/caliper']), shared)).toThrow('among its joints');
	});
});

describe('the fragments', () => {
	it('are what layouts have in common: the same caliper, where another carries it', () => {
		const caliper = (key: string) =>
			findLayout(key)!.joints.find((joint) => joint.key === 'caliper')!;
		expect(caliper('macpherson-front').between).toEqual(['caliper', 'knuckle']);
		expect(caliper('live-axle-rear')).toEqual({
			...caliper('macpherson-front'),
			between: ['caliper', 'axle']
		});
	});

	it('have only what layouts use', async () => {
		const files = import.meta.glob<string>('./data/*.json', {
			query: '?raw',
			import: 'default',
			eager: true
		});
		const said = Object.values(files).join('\n');
		for (const [name, lists] of Object.entries(fragments))
			for (const entry of Object.values(lists).flatMap((list) => Object.keys(list as object)))
				expect(said).toContain(`"${name}/${entry}"`);
	});
});
