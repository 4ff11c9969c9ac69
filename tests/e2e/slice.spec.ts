import type { Locator, Page } from '@playwright/test';
import { expect, poll, patient, pull, sent, stage, test } from './shop';

/** A new car through the heart of the job, as somebody would who has read nothing. */
async function openJob(page: Page, plate: string): Promise<void> {
	await page.goto('/');
	await page.getByRole('link', { name: 'Open a job' }).tap();
	await page.getByRole('link', { name: 'A new car' }).tap();
	// Exact: the page before has a search box whose name begins so too.
	await page.getByLabel('Plate', { exact: true }).fill(plate);
	await page.getByLabel('Make', { exact: true }).fill('Halden');
	await page.getByLabel('Model', { exact: true }).fill('Reed');
	await page.getByRole('button', { name: /^More of the car/ }).tap();
	await page.getByLabel('Wheelbase').fill('104 in');
	await expect(page.getByText('= 2641.6 mm')).toBeVisible();
	const [front, rear] = [
		page.getByRole('group', { name: 'Front axle' }),
		page.getByRole('group', { name: 'Rear axle' })
	];
	await front.getByLabel('Track').fill('1540');
	await front.getByLabel('Maker’s ride height').fill('365');
	await rear.getByLabel('Track').fill('1530');
	await page.getByRole('button', { name: 'Keep the car and go on' }).tap();
	await page.getByLabel('Complaint').fill('Knock over bumps');
	await page.getByLabel('Odometer').fill('84000');
	await page.getByLabel('Front left').tap();
	await page.getByRole('button', { name: 'Open the job' }).tap();
	await expect(
		page.getByRole('link', { name: 'Read the height before, front left' })
	).toBeVisible();
}

/** Three readings at each of the four corners; Enter keeps each and goes round the car by itself. */
async function readAllRound(page: Page, heights: number[]): Promise<void> {
	const walk = [
		['Front left', 0],
		['Rear left', 2],
		['Rear right', 3],
		['Front right', 1]
	] as const;
	for (const [name, i] of walk) {
		await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
		for (const add of [0, 1, 0]) {
			const field = page.locator('#reading');
			await expect(field).toBeFocused();
			await field.fill(String(heights[i]! + add));
			await field.press('Enter');
			// Kept: the field is empty, or put away with everything read.
			await poll(() =>
				page.evaluate(() => document.querySelector<HTMLInputElement>('#reading')?.value)
			).toBeFalsy();
		}
	}
}

test.use({ hasTouch: true });

test('a new car through the whole slice, by touch', async ({ tomas: page, mara }) => {
	test.setTimeout(150_000);
	await openJob(page, 'NEW 001');
	const job = new URL(page.url()).pathname;

	await test.step('heights before', async () => {
		await page.getByRole('link', { name: 'Read the height before, front left' }).tap();
		await page.getByRole('button', { name: 'Note it' }).tap();
		for (const check of [
			'Level floor',
			'Rolled back and forth, bounced',
			'Steering straight ahead',
			'Brakes off'
		])
			await page.getByLabel(check).tap();
		await page.getByLabel('Fuel').fill('half');
		await page.getByRole('button', { name: 'Keep', exact: true }).last().tap();
		await expect(
			page.getByText('level floor, bounced, straight, brakes off · fuel half')
		).toBeVisible();
		await page.locator('#reading').focus();
		await readAllRound(page, [352, 353, 358, 357]);
		await expect(page.getByText('even')).toHaveCount(2);
	});

	const heading = page.getByRole('heading', { level: 1 });
	const inList = (name: RegExp) =>
		page.getByRole('region', { name: 'The round' }).getByRole('button', { name });

	await test.step('a joint gets its torque, and one that the layout lacks is added', async () => {
		await stage(page, 'Set').tap();
		await inList(/Top mount nuts/).tap();
		await page.getByRole('button', { name: 'Change this joint …' }).tap();
		await page.getByLabel('Specified torque').fill('18 ft-lb');
		await page.getByRole('button', { name: 'Keep', exact: true }).tap();
		await expect(inList(/Top mount nuts.*24/)).toBeVisible();
		await expect(page.getByText(/Specified, maker’s data/)).toBeVisible();
		await page.getByRole('button', { name: 'Add a joint' }).tap();
		await page.getByLabel('Name').fill('Subframe bolt');
		await page.getByRole('button', { name: 'Add the joint' }).tap();
		await expect(inList(/Subframe bolt/)).toBeVisible();
	});

	await test.step('torques hanging: rubber is only nipped', async () => {
		while ((await heading.innerText()) !== 'Load the corner') {
			const name = await heading.innerText();
			const field = page.locator('#torque');
			if ((await field.inputValue()) === '') await field.fill('50');
			await field.focus();
			await pull(page);
			await poll(() => heading.innerText()).not.toBe(name);
		}
		for (const bush of ['front', 'rear']) {
			await inList(new RegExp(`Lower arm, ${bush} bush bolt`)).tap();
			await page.getByRole('button', { name: 'Nipped by hand' }).tap();
			await expect(inList(new RegExp(`Lower arm, ${bush} bush bolt.*nipped`))).toBeVisible();
		}
	});

	await test.step('loaded at the wrong height is caught, at the right one it is set', async () => {
		await page.getByText('On its wheels').tap();
		await page.getByLabel('Hub to arch now').fill('430');
		await page.getByRole('button', { name: 'Record the reading' }).tap();
		await inList(/Lower arm, front bush bolt/).tap();
		await expect(page.getByText('Wound up: do not sign off')).toBeVisible();
		await page.locator('#torque').fill('120');
		await page.locator('#torque').focus();
		await pull(page);
		await expect(inList(/Lower arm, front bush bolt.*again/)).toBeVisible();
		await expect(heading).toHaveText('Load the corner');
		await page.getByLabel('Hub to arch now').fill('366');
		await page.getByRole('button', { name: 'Record the reading' }).tap();
		await expect(page.getByText('Set: the bush rests at ride height')).toBeVisible();
		for (const bush of ['front', 'rear']) {
			await expect(heading).toHaveText(`Lower arm, ${bush} bush bolt`);
			// The one that was clamped at the wrong height is asked about.
			if (bush === 'front') {
				await expect(page.getByText('It is clamped already. Loosened first?')).toBeVisible();
				await page.getByRole('button', { name: 'Loosened, settled' }).tap();
			}
			await page.locator('#torque').fill('120');
			await page.locator('#torque').focus();
			await pull(page);
			await expect(inList(new RegExp(`Lower arm, ${bush} bush bolt.*set`))).toBeVisible();
		}
		await expect(heading).toHaveText('Anti-roll bar, bush bracket');
		await page.locator('#torque').fill('25');
		await page.locator('#torque').focus();
		await pull(page);
		await page.getByRole('button', { name: 'It stands' }).tap();
		for (let step = 1; step <= 10; step++) {
			await expect(page.getByText(`Step ${step} of 10`)).toBeVisible();
			await page.locator('#torque').fill('120');
			await page.locator('#torque').press('Enter');
		}
		await expect(page.getByText('The round is through')).toBeVisible();
	});

	await test.step('heights after, and the comparison', async () => {
		await page.goto(`${job}/check`);
		await readAllRound(page, [365, 365, 358, 357]);
		await expect(page.getByRole('row', { name: /Front left.*changed/ })).toBeVisible();
		await expect(
			page.getByRole('row', { name: /Rear left.*not shown to have changed/ })
		).toBeVisible();
	});

	await test.step('signed sheet', async () => {
		await stage(page, 'Hand over').tap();
		await page.getByRole('button', { name: 'Sign and seal' }).tap();
		await expect(page.getByText('Signed by Tomas Okoro')).toBeVisible();
		await expect(page.getByText('Signed: the record is closed')).toBeVisible();
		await page.goto('/cars?search=NEW+001');
		await page.getByRole('link', { name: /NEW 001/ }).tap();
		await expect(page.getByRole('link', { name: /Knock over bumps.*Signed/ })).toBeVisible();
		await mara.goto(job);
		await expect(mara.getByRole('link', { name: 'The signed sheet →' })).toBeVisible();
	});
});

test('the slice by keyboard alone', async ({ page: fresh, jobUrl, shop }) => {
	const page = patient(fresh);
	await page.goto(`${shop.origin}/sign-in`);
	await page.keyboard.press('Tab');
	await page.keyboard.type('tomas');
	await page.keyboard.press('Tab');
	await page.keyboard.type('258014');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();

	await page.locator('html[data-ready]').waitFor({ state: 'attached' });
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.keyboard.press('Escape');
	await page.keyboard.press('/');
	await page.keyboard.type('OST 115');
	const row = page.getByRole('link', { name: /OST 115/ });
	await expect(page.getByRole('link', { name: /2026-02/ })).toHaveCount(1);
	while (!(await row.evaluate((element) => element === document.activeElement)))
		await page.keyboard.press('Tab');
	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(new RegExp(await jobUrl('2026-0260')));

	await page.keyboard.press('Alt+m');
	await expect(page.getByRole('heading', { name: 'Front left', exact: true })).toBeVisible();
	await page.keyboard.press('Alt+2');
	await expect(page.getByRole('heading', { name: 'Front right', exact: true })).toBeVisible();
	await expect(page.locator('#reading')).toBeFocused();
	for (const height of ['348', '13 11/16 in', '348,5']) {
		await page.keyboard.type(height);
		await page.keyboard.press('Enter');
	}
	await expect(page.getByRole('heading', { name: 'Front left', exact: true })).toBeVisible();
	await expect(page.getByRole('button', { name: /Front right/ })).toContainText('348.1 mm');

	await page.keyboard.press('Alt+b');
	await expect(page).toHaveURL(new RegExp(`${await jobUrl('2026-0260')}$`));
	await page.keyboard.press('Alt+3');
	await expect(page.getByRole('heading', { name: 'Damper, upper mount' })).toBeVisible();
	await pull(page);
	await expect(page.getByRole('heading', { name: 'Brake hose and sensor bracket' })).toBeVisible();
	await expect(page.locator('#torque')).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Handbrake cable bracket' })).toBeVisible();
	await expect(page.locator('#torque')).toBeFocused();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Drop link, upper nut' })).toBeVisible();
	await expect(
		page.getByRole('button', { name: /Brake hose and sensor bracket.*torqued/ })
	).toBeVisible();
	await page.keyboard.press('Alt+s');
	await expect(page.getByText(/open: not ready to sign/)).toBeVisible();

	// Loaded, and a bush set: the height, then the torque.
	const tabTo = async (target: Locator) => {
		for (let i = 0; i < 60; i++) {
			if (await target.evaluate((element) => element === document.activeElement)) return;
			await page.keyboard.press('Tab');
		}
		throw new Error('not reached by Tab');
	};
	await page.goto(`${await jobUrl('2026-0256')}/set?of=FR`);
	await expect(page.getByLabel('Hub to arch now')).toBeFocused();
	await page.keyboard.type('323');
	await page.keyboard.press('Enter');
	await expect(page.getByText('Set: the bush rests at ride height')).toBeVisible();
	await expect(
		page.getByRole('heading', { name: 'Upper wishbone, front bush bolt' })
	).toBeVisible();
	for (let i = 0; i < 5; i++) {
		const name = await page.getByRole('heading', { level: 1 }).innerText();
		await pull(page);
		await expect(page.getByRole('button', { name: new RegExp(`${name}.*set`) })).toBeVisible();
	}

	await page.goto(await jobUrl('2026-0251'));
	await page.keyboard.press('Alt+s');
	await expect(page).toHaveURL(/\/hand-over$/);
	await tabTo(page.getByRole('button', { name: 'Sign and seal' }));
	await page.keyboard.press('Enter');
	await expect(page.getByText('Signed by Tomas Okoro')).toBeVisible();
});

test('readings are corrected, withdrawn, and doubted aloud', async ({ tomas: page, jobUrl }) => {
	await page.goto(`${await jobUrl('2026-0260')}/measure?corner=RR`);
	await expect(page.getByText('Reading 2 does not fit the others.')).toBeVisible();
	await page.getByRole('button', { name: /351 mm/ }).click();
	await page.locator('#reading').fill('336');
	await page.getByRole('button', { name: 'Keep instead' }).click();
	await expect(page.getByText('does not fit')).toHaveCount(0);
	await page.goto(`${await jobUrl('2026-0260')}/measure?corner=RR`);
	await page.getByRole('button', { name: /corrected/ }).click();
	await page.getByRole('button', { name: 'Withdraw it' }).click();
	await expect(page.getByRole('button', { name: /Rear right.*2\/3/ })).toBeVisible();
});

test('a lead signs by override, a technician cannot', async ({ tomas, mara, jobUrl }) => {
	const sheet = `${await jobUrl('2026-0258')}/hand-over`;
	await tomas.goto(sheet);
	await expect(tomas.getByText('Only a lead may sign with something still open.')).toBeVisible();
	await expect(tomas.getByRole('button', { name: /Sign over/ })).toHaveCount(0);

	await mara.goto(sheet);
	const sign = mara.getByRole('button', { name: /without a reason|Sign over/ });
	await expect(sign).toBeDisabled();
	for (const all of await mara.getByRole('checkbox', { name: /^All: / }).all()) await all.check();
	const give = mara.getByRole('button', { name: /^Give this reason to/ });
	await mara.getByLabel('Why what is ticked is signed over').fill('short');
	await expect(give).toBeDisabled();
	await mara
		.getByLabel('Why what is ticked is signed over')
		.fill('Car goes on a trailer to the body shop, bushes set there.');
	await give.click();
	await sign.click();
	await expect(mara.getByRole('heading', { name: /Signed over \d+ open by Mara/ })).toBeVisible();
	await expect(mara.getByText('“Car goes on a trailer')).toBeVisible();
	await expect(mara.getByText('– Front right: ').first()).toBeVisible();
});

test('two who change one thing without knowing of each other: both stay, and a person says which counts', async ({
	tomas,
	mara,
	jobUrl,
	record
}) => {
	const url = await jobUrl('2026-0253');
	await tomas.goto(`${url}/edit`);
	await mara.goto(`${url}/edit`);
	await mara.getByLabel('Complaint').fill('Front bushes cracked, steers to the left');
	await mara.getByRole('button', { name: 'Keep the change' }).click();
	await expect(mara).not.toHaveURL(/edit/);
	await tomas.getByLabel('Odometer').fill('298800 km');
	await tomas.getByLabel('Complaint').fill('Front bushes cracked, both sides');
	await tomas.getByRole('button', { name: 'Keep the change' }).click();
	await expect(tomas).not.toHaveURL(/edit/);
	// Told on both screens, with who and what; nothing was lost, and the job owes the look.
	for (const page of [tomas, mara]) {
		const look = page.getByRole('region', { name: /Said twice/ });
		await expect(look).toContainText('Mara Lindholm');
		await expect(look).toContainText('complaint: Front bushes cracked, steers to the left');
		await expect(look).toContainText('complaint: Front bushes cracked, both sides');
	}
	await tomas.goto(`${url}/hand-over`);
	await expect(tomas.getByText(/said different things: say which counts/).last()).toBeVisible();
	const hers = tomas
		.getByRole('region', { name: /Said twice/ })
		.getByRole('listitem')
		.filter({ hasText: 'steers to the left' });
	await hers.getByRole('button', { name: 'This one' }).click();
	await expect(tomas.getByRole('region', { name: /Said twice/ })).toHaveCount(0);
	await expect(mara.getByRole('region', { name: /Said twice/ })).toHaveCount(0);
	expect(await record(mara, '2026-0253')).toMatchObject({
		complaint: 'Front bushes cracked, steers to the left',
		odometerKm: 298_800
	});
});

test('a target is predicted with the new spring, and stays with what it rests on', async ({
	tomas: page,
	jobUrl
}) => {
	await page.goto(`${await jobUrl('2026-0255')}/set?of=RL`);
	const panel = page.getByRole('region', { name: 'Target' });
	await panel.getByRole('button', { name: 'Change' }).click();
	await panel.getByText('predicted with the new spring').click();
	const keep = panel.getByRole('button', { name: 'Keep' });
	await expect(keep).toBeDisabled();
	for (const [label, text] of [
		['Load at the wheel', '2700 N'],
		['Motion ratio', '0,7'],
		['Old rate', '45'],
		['Old free length', '12 in'],
		['New rate', '45'],
		['New free length', '315']
	] as const) {
		await panel.getByLabel(label).fill(text);
	}
	await expect(panel.getByText(/settled; at first/)).toBeVisible();
	await panel.getByLabel('New rate').fill('10');
	await expect(panel.getByText(/cannot carry the car/)).toBeVisible();
	await expect(keep).toBeDisabled();
	await panel.getByLabel('New rate').fill('45');
	const settled = await panel.locator('.text-mark .num').first().textContent();
	await keep.click();
	await expect(panel.getByText(/Predicted with the new spring, settled/)).toBeVisible();
	await expect(panel.getByText(/Good to ±/)).toBeVisible();
	await expect(panel.locator('.num').first()).toContainText(Number.parseFloat(settled!).toFixed(0));
	await page.reload();
	await panel.getByRole('button', { name: 'Change' }).click();
	await expect(panel.getByLabel('Old free length')).toHaveValue('12 in');
	await panel.getByText('the maker’s').click();
	await panel.getByRole('button', { name: 'Back to the default' }).click();
	await expect(panel.getByText(/Predicted/)).toBeHidden();
});

test('the wheels of a signed car are checked again, and the car leaves the list', async ({
	tomas: page,
	jobUrl
}) => {
	await page.goto('/');
	await page.getByRole('link', { name: 'Due', exact: true }).click();
	const row = page.getByRole('listitem').filter({ hasText: '2026-0238' });
	await expect(row).toContainText('◇ at 167950 km to 168000 km');
	await row.getByRole('link', { name: 'Check, or slip' }).click();
	await expect(page.getByRole('heading', { name: /please come back/ })).toBeVisible();
	await expect(page.getByText('167950 km', { exact: true })).toBeVisible();
	const calendar = await page.request.get(`/api/v1${await jobUrl('2026-0238')}/retorque.ics`);
	expect(calendar.headers()['content-type']).toContain('text/calendar');
	await page.getByLabel('Odometer').fill('100');
	await page.getByRole('button', { name: 'Record the check' }).click();
	await expect(page.getByText(/is less than when the job was opened/)).toBeVisible();
	await page.getByLabel('Odometer').fill('167990');
	await page.getByText('some moved').click();
	await page.getByLabel('Note').fill('RR, two by an eighth');
	await page.getByRole('button', { name: 'Record the check' }).click();
	await expect(page.getByText('◇ Some moved')).toBeVisible();
	await expect(page.getByText(/RR, two by an eighth/)).toBeVisible();
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('button', { name: 'Record the check' })).toBeHidden();
	await page.emulateMedia({ media: 'screen' });
	await sent(page);
	await page.goto('/retorques');
	await expect(page.getByRole('heading', { name: 'Wheels to check' })).toBeVisible();
	await expect(page.getByText('2026-0238')).toHaveCount(0);
});
