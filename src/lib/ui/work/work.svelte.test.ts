/** One step, one question: what lets it count as done, and what does not. */
import { cleanup, fireEvent, render, screen, within, waitFor } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { page } from '../../../../tests/client/app';
import { around, call } from '../../../../tests/client/around';
import { jobOnScreen, stored } from '../../../../tests/client/job-on-screen.svelte';
import ArmSpringForce from '../bench/ArmSpringForce.svelte';
import BushClocks from './BushClocks.svelte';
import StepCard from './StepCard.svelte';
import StepList from './StepList.svelte';
import TrayMap from './TrayMap.svelte';

/** A front strut job with nothing done but the heights, and perhaps these steps. */
function open(done: string[] = []) {
	const screenJob = jobOnScreen('2026-0268', (job) => {
		job.entries = job.entries.filter(({ kind }) => !['step', 'tray'].includes(kind));
		for (const id of done) stored(job.entries, 'step', id, { state: 'done', note: '' });
	});
	around.job = screenJob.state;
	return screenJob;
}
const begun = ['FL/soak', 'FR/soak', 'car/crack-wheels', 'car/chock', 'car/lift'];
function card(id: string) {
	const step = around.job!.work.order.steps.find((one) => one.id === id)!;
	const ondone = vi.fn();
	render(StepCard, { step, ondone });
	return { step, ondone };
}
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

beforeEach(() => {
	page.data = { person: { role: 'technician' } };
});

describe('a step in hand', () => {
	it('counts once what it asks was seen and written down', async () => {
		const { entered } = open(begun);
		const { step, ondone } = card('car/stands');
		expect(screen.getByText(step.caution!, { exact: false })).toBeTruthy();
		await press('Done, next step');
		expect(screen.getByRole('alert').textContent).toContain('Look first');
		expect(screen.getByText(/is written down before it counts/)).toBeTruthy();
		expect(entered()).toEqual([]);
		await fireEvent.click(screen.getByRole('checkbox'));
		await press('Done, next step');
		expect(entered()).toEqual([]);
		await fireEvent.input(screen.getByLabelText(step.gate!.note!), {
			target: { value: ' front sills ' }
		});
		await press('Done, next step');
		await waitFor(() => expect(ondone).toHaveBeenCalledExactlyOnceWith('car/stands'));
		expect(entered()).toMatchObject([
			{ kind: 'step', subject: 'car/stands', data: { state: 'done', note: 'front sills' } }
		]);
	});

	it('is open again where the plan has added joints to it, and names them', () => {
		const screenJob = jobOnScreen('2026-0268', ({ entries }) =>
			stored(entries, 'step', 'FL/undo-bottom', {
				state: 'done',
				note: '',
				joints: ['FL/strut-knuckle-upper']
			})
		);
		around.job = screenJob.state;
		card('FL/undo-bottom');
		const added = screen.getByText('Done before; the plan has added:', { exact: false });
		expect(added.parentElement!.textContent).toContain('Strut to knuckle, lower bolt');
		expect(screen.getByRole('button', { name: 'Done, next step' })).toBeTruthy();
	});

	it('asks a coilover’s perch for its preload, and is refused without it', async () => {
		const screenJob = jobOnScreen('2026-0268', ({ entries }) => {
			const kit = { damper: false, spring: false, bushes: false, also: ['coilover'] };
			stored(entries, 'scope', 'front', kit);
			for (const id of ['let-off', 'restack', 'shaft-on', 'compress', 'shaft-off'])
				stored(entries, 'step', `FL/${id}`, { state: 'done', note: '' });
		});
		around.job = screenJob.state;
		const { ondone } = card('FL/perch');
		await fireEvent.click(screen.getByRole('checkbox'));
		await press('Done, next step');
		expect(
			await screen.findByText(/its preload from where the spring is just not loose/)
		).toBeTruthy();
		expect(ondone).not.toHaveBeenCalled();
	});

	it('has a clock face for each bush, by touch and by arrow keys', async () => {
		const screenJob = jobOnScreen('2026-0268', ({ entries }) =>
			stored(entries, 'scope', 'front', {
				damper: false,
				spring: false,
				bushes: false,
				also: ['bush:lower-arm']
			})
		);
		around.job = screenJob.state;
		const step = around.job!.work.order.steps.find(({ kind }) => kind === 'press-bush')!;
		const onset = vi.fn();
		render(BushClocks, { step, onset });
		const [front, rear] = screen.getAllByRole('radiogroup');
		await fireEvent.click(within(front!).getByRole('radio', { name: '2 o’clock' }));
		expect(onset).toHaveBeenLastCalledWith('');
		await fireEvent.keyDown(within(rear!).getByRole('radio', { name: '12 o’clock' }), {
			key: 'ArrowLeft'
		});
		expect(onset.mock.lastCall![0]).toMatch(/front .* at 2 o’clock; rear .* at 11 o’clock/);
	});

	it('says what comes first, with the rule, and cannot be pressed', () => {
		open();
		card('car/lift');
		expect(screen.getByRole('status').textContent).toMatch(/Not yet.*Chock the wheels/s);
		expect(
			screen.getByRole<HTMLButtonElement>('button', { name: 'Done, next step' }).disabled
		).toBe(true);
		expect(screen.queryByRole('button', { name: 'Go on all the same' })).toBeNull();
	});

	it('may be passed over by a lead who says why', async () => {
		page.data = { person: { role: 'lead' } };
		const { entered } = open();
		card('car/lift');
		await press('Go on all the same');
		await fireEvent.input(screen.getByLabelText('Why it may go on all the same'), {
			target: { value: 'Car came in on the recovery truck' }
		});
		await press('Done, next step');
		expect(entered().at(-1)!.data).toMatchObject({
			state: 'done',
			overrideReason: 'Car came in on the recovery truck'
		});
	});

	it('shows what the server refused, and stays', async () => {
		const { entered } = open(begun);
		call.mockResolvedValueOnce({ ok: false, refusal: { status: 409, title: 'Not yet: chocks' } });
		const { ondone } = card('car/stands');
		await fireEvent.click(screen.getByRole('checkbox'));
		await fireEvent.input(screen.getByLabelText('Where they stand'), {
			target: { value: 'sills' }
		});
		await press('Done, next step');
		await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Not yet: chocks'));
		expect(ondone).not.toHaveBeenCalled();
		expect(entered()).toEqual([]);
	});

	it('has a clock that runs from its start', async () => {
		const { entered } = open([...begun, 'car/stands']);
		card('FL/wheel-off');
		await press('Start the clock');
		expect(entered()).toMatchObject([{ subject: 'FL/wheel-off', data: { state: 'started' } }]);
		expect(screen.getByRole('timer').textContent).toMatch(/^0:0\d$/);
	});

	it('that is done elsewhere leads there', () => {
		open();
		card('car/torque-wheels');
		expect(screen.getByRole('link', { name: /Into the torque round/ })).toBeTruthy();
		expect(screen.queryByRole('button', { name: 'Done, next step' })).toBeNull();
	});

	it('at the bench says what the bench still wants', () => {
		open();
		card('FL/compress');
		expect(screen.getByText('◇ The bench still wants')).toBeTruthy();
		expect(screen.getByRole('link', { name: /To the bench page/ }).getAttribute('href')).toMatch(
			/bench\?corner=FL&at=compressor$/
		);
	});

	it('that was done can be taken back', async () => {
		const { entered } = open(begun);
		card('car/lift');
		expect(screen.getByText('✓ Done')).toBeTruthy();
		await press('Take it back');
		expect(entered().at(-1)).toMatchObject({ subject: 'car/lift', data: { state: 'open' } });
		expect(screen.queryByText('✓ Done')).toBeNull();
	});
});

describe('lowering a spring on its arm', () => {
	const lower = () => {
		const screenJob = jobOnScreen('2026-0269');
		around.job = screenJob.state;
		const step = around.job.work.order.steps.find(({ kind }) => kind === 'lower')!;
		render(StepCard, { step, ondone: vi.fn() });
		return step;
	};

	it('asks for the spring where nobody typed it', () => {
		const step = lower();
		const links = screen.getAllByRole('link', { name: 'How hard does this spring push?' });
		expect(links.map((link) => link.getAttribute('href')!.split('/bench')[1])).toEqual(
			step.corners.map((corner) => `?corner=${corner}&at=arm`)
		);
	});

	it('says how hard it pushes, and how far the jack goes until it does not', async () => {
		const step = lower();
		const [corner] = step.corners;
		const input = {
			rateNPerMm: 50,
			freeLengthMm: 300,
			droopLengthMm: 250,
			lengthPerJackMm: 0.5
		};
		await around.job!.keep('arm-spring', corner!, { input, typed: {} });
		// 50 mm at 50 N/mm, and half a millimetre of spring for one of jack.
		expect(
			await screen.findByText(/pushes with 2[\s,]?500 N until the jack is 100 mm\s+down/)
		).toBeTruthy();
		await around.job!.keep('arm-spring', corner!, {
			input: { ...input, droopLengthMm: 310 },
			typed: {}
		});
		expect(await screen.findByText(/loose already at full droop/)).toBeTruthy();
	});
});

describe('the arm spring at the bench', () => {
	it('starts from what was kept, keeps what is typed, and says what cannot be', async () => {
		const { state, entered } = jobOnScreen('2026-0269');
		around.job = state;
		render(ArmSpringForce, { corner: 'RL' });
		const type = async (label: string, value: string) => {
			const field = screen.getByLabelText(label);
			await fireEvent.input(field, { target: { value } });
			await fireEvent.focusOut(field);
		};
		await type('Rate', '48 N/mm');
		await type('Free length', '310');
		expect(entered()).toEqual([]);
		await type('Length at full droop', '270');
		expect(entered()).toMatchObject([
			{
				kind: 'arm-spring',
				subject: 'RL',
				data: {
					input: {
						rateNPerMm: 48,
						freeLengthMm: 310,
						droopLengthMm: 270,
						lengthPerJackMm: 0.6
					},
					typed: { rate: '48 N/mm', drooped: '270' }
				}
			}
		]);
		await type('Length at full droop', '700');
		expect(screen.getByRole('alert').textContent).toContain('is one of them in another unit?');
		await type('Spring for 1 of jack', '3');
		expect(screen.getByText(/a number above 0, up to 2/)).toBeTruthy();
		expect(entered()).toHaveLength(1);
		cleanup();
		render(ArmSpringForce, { corner: 'RL' });
		expect(screen.getByLabelText<HTMLInputElement>('Rate').value).toBe('48 N/mm');
	});
});

describe('the list of steps', () => {
	it('marks what is behind, in hand, free and waiting, in words too', async () => {
		open(begun);
		const onpick = vi.fn();
		render(StepList, { now: 'car/stands', onpick });
		const rows = screen.getAllByRole('button');
		expect(rows.length).toBe(around.job!.work.order.steps.length);
		const row = (title: RegExp) => rows.find((one) => title.test(one.textContent!))!;
		expect(row(/Lift the car/).textContent).toMatch(/✓/);
		expect(row(/Stands under/).getAttribute('aria-current')).toBe('step');
		expect(row(/Wheel off/).textContent).toMatch(/·/);
		await fireEvent.click(row(/Lift the car/));
		expect(onpick).toHaveBeenCalledExactlyOnceWith('car/lift');
	});
});

describe('the trays', () => {
	it('take in what came out, and count it back', async () => {
		const { entered } = open(begun);
		const step = around.job!.work.order.steps.find(({ id }) => id === 'FL/undo-bottom')!;
		render(TrayMap, { step });
		await press('Came out');
		const form = screen.getByRole('region', { name: /Trays/ });
		const count = within(form).getAllByRole<HTMLInputElement>('textbox')[1]!;
		await fireEvent.input(count, { target: { value: 'some' } });
		await fireEvent.submit(form.querySelector('form')!);
		expect(form.textContent).toContain('how many: 1 to 99');
		expect(entered()).toEqual([]);
		await fireEvent.input(count, { target: { value: '2' } });
		await fireEvent.submit(form.querySelector('form')!);
		await waitFor(() => expect(entered()).toHaveLength(1));
		expect(entered()[0]).toMatchObject({
			kind: 'tray',
			data: { step: 'FL/undo-bottom', count: 2, back: 0 }
		});
		expect(form.textContent).toMatch(/1 not back/);
	});
});
