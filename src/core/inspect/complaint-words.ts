/** Symptoms in the words of a complaint, as people write them: whole words, and what is denied is not heard. */
import type { SymptomKey } from './symptoms.ts';

/** Words by their stems; a stem stands for itself and its usual endings. */
const endings = '(?:s|es|ed|ing|y|ier|er|ers|led|ling|le|les|ting|ping|ped|ning|ned|ding|ded)?';
const words = (...stems: string[]) => new RegExp(`^(?:${stems.join('|')})${endings}$`);

const knocks = words(
	'knock',
	'rattl',
	'rattle',
	'clatter',
	'bang',
	'thud',
	'thump',
	'clonk',
	'tap'
);
const clunks = words('clunk', 'knock', 'clonk', 'bang', 'thud');
const brakes = words('brak', 'brake', 'stopping');
const turns = words('turn', 'steer', 'steering', 'corner', 'lock', 'parking', 'manoeuvr');

/** One word is enough, or two that stand near each other. */
const heard: readonly { symptom: SymptomKey; one?: RegExp; both?: readonly [RegExp, RegExp] }[] = [
	{ symptom: 'knock', one: knocks },
	{ symptom: 'clunk-braking', both: [clunks, brakes] },
	{
		symptom: 'clunk-turning',
		both: [words('clunk', 'twang', 'creak', 'bang', 'jump', 'spring'), turns]
	},
	{ symptom: 'lean', one: words('lean', 'sag', 'sagg', 'droop', 'lopsided') },
	{
		symptom: 'lean',
		both: [
			words('sit', 'hang', 'stand', 'rid', 'ride', 'rear', 'front', 'side', 'corner'),
			/^low(er)?$/
		]
	},
	{ symptom: 'float', one: words('float', 'bounc', 'bounce', 'wallow', 'pogo') },
	{ symptom: 'bottoming', one: words('bottom', 'scrap', 'ground') },
	{ symptom: 'vague-steering', one: words('vague', 'wander', 'wandering', 'tramlin', 'darty') },
	{
		symptom: 'vague-steering',
		both: [/^(loose|sloppy|imprecise|play)$/, words('steer', 'steering')]
	},
	{
		symptom: 'long-stopping',
		both: [/^(long|longer|far|further|poor|badly)$/, words('stop', 'stopp', 'brak', 'brake')]
	},
	{ symptom: 'tyre-wear', one: words('cupp', 'feather', 'scallop') },
	{
		symptom: 'tyre-wear',
		both: [words('tyre', 'tire', 'tread'), words('wear', 'worn', 'uneven', 'bald', 'edge')]
	},
	{ symptom: 'squeak', one: words('squeak', 'squeal', 'creak', 'groan', 'chirp') },
	{ symptom: 'pulls', one: words('pull', 'drift', 'veer') },
	{ symptom: 'sways', one: words('sway', 'roll', 'tipp') },
	{ symptom: 'hops', one: words('hop', 'hopp', 'skip', 'skipp', 'judder', 'patter') },
	{ symptom: 'dives', one: words('div', 'dive', 'nosediv') }
];

/** Two words belong together within so many others. */
const nearby = 5;
const denial =
	/^(no|not|never|without|none|nor|doesn['’]?t|isn['’]?t|don['’]?t|didn['’]?t|won['’]?t|can['’]?t|hasn['’]?t)$/;
/** A denial reaches so far, and not past a comma, a stop or a but. */
const reach = 4;

/** Each word of the complaint with whether it is denied; clauses are apart. */
function spoken(complaint: string): { word: string; denied: boolean; clause: number }[] {
	const clauses = complaint.toLowerCase().split(/[.,;:!?()]|\bbut\b|\band\b|\bthough\b/);
	return clauses.flatMap((clause, at) => {
		const list = clause.match(/[a-z]+(?:['’][a-z]+)?/g) ?? [];
		return list.map((word, i) => ({
			word,
			denied: list.slice(Math.max(0, i - reach), i).some((before) => denial.test(before)),
			clause: at
		}));
	});
}

/** In the order of the work; each once. */
export function symptomsIn(complaint: string): SymptomKey[] {
	const list = spoken(complaint);
	const said = (pattern: RegExp) =>
		list.filter(({ word, denied }) => !denied && pattern.test(word));
	const found = new Set<SymptomKey>();
	for (const { symptom, one, both } of heard) {
		if (one && said(one).length) found.add(symptom);
		if (!both) continue;
		const near = list.some(
			(first, i) =>
				!first.denied &&
				both[0].test(first.word) &&
				list
					.slice(Math.max(0, i - nearby), i + nearby + 1)
					.some((other) => other !== first && !other.denied && both[1].test(other.word))
		);
		if (near) found.add(symptom);
	}
	return [...found];
}
