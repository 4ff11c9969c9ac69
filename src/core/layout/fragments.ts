import type { Fragment } from './compose.ts';
import air from './fragments/air.json' with { type: 'json' };
import antiRollBar from './fragments/anti-roll-bar.json' with { type: 'json' };
import brake from './fragments/brake.json' with { type: 'json' };
import damper from './fragments/damper.json' with { type: 'json' };
import arms from './fragments/arms.json' with { type: 'json' };
import handbrake from './fragments/handbrake.json' with { type: 'json' };
import hub from './fragments/hub.json' with { type: 'json' };
import liveAxle from './fragments/live-axle.json' with { type: 'json' };
import multiLink from './fragments/multi-link.json' with { type: 'json' };
import steering from './fragments/steering.json' with { type: 'json' };
import trailingArm from './fragments/trailing-arm.json' with { type: 'json' };
import trim from './fragments/trim.json' with { type: 'json' };

/** What layouts have in common, by the name their files call it; names and traits are common practice, no source. */
export const fragments: Readonly<Record<string, Fragment>> = {
	air,
	'anti-roll-bar': antiRollBar,
	brake,
	damper,
	arms,
	handbrake,
	hub,
	'live-axle': liveAxle,
	'multi-link': multiLink,
	steering,
	'trailing-arm': trailingArm,
	trim
} as unknown as Record<string, Fragment>;
