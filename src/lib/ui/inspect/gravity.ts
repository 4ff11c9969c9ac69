import type { Gravity } from '$core/inspect/points';

/** How each gravity looks: never by colour alone. */
export const gravityLooks = {
	sound: {
		sign: '✓',
		tone: 'border-spruce bg-spruce-wash text-spruce',
		fill: 'fill-spruce stroke-spruce'
	},
	watch: {
		sign: '◇',
		tone: 'border-ochre bg-ochre-wash text-ochre',
		fill: 'fill-ochre stroke-ochre'
	},
	worn: {
		sign: '✕',
		tone: 'border-madder bg-madder-wash text-madder',
		fill: 'fill-madder stroke-madder'
	}
} as const satisfies Record<Gravity, { sign: string; tone: string; fill: string }>;
