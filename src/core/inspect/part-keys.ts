/** Things a corner is made of that are bought and fitted. */
export const partKeys = [
	'damper',
	'spring',
	'coilover',
	'bump-stop',
	'boot',
	'top-mount',
	'top-bearing',
	'spring-pads',
	'arm',
	'bush',
	'ball-joint',
	'drop-link',
	'bar-bush',
	'bracket',
	'tie-rod-end',
	'wheel-bearing',
	'shaft-boot',
	'brake-hose',
	'tyre',
	'hardware'
] as const;
export type PartKey = (typeof partKeys)[number];

export const partNames: Readonly<Record<PartKey, string>> = {
	damper: 'Damper',
	spring: 'Spring',
	coilover: 'Coilover',
	'bump-stop': 'Bump stop',
	boot: 'Dust boot',
	'top-mount': 'Top mount',
	'top-bearing': 'Top bearing',
	'spring-pads': 'Spring pad',
	arm: 'Arm',
	bush: 'Bush',
	'ball-joint': 'Ball joint',
	'drop-link': 'Drop link',
	'bar-bush': 'Anti-roll-bar bush',
	bracket: 'Bracket',
	'tie-rod-end': 'Tie rod end',
	'wheel-bearing': 'Wheel bearing',
	'shaft-boot': 'Drive shaft boot',
	'brake-hose': 'Brake hose',
	tyre: 'Tyre',
	hardware: 'One-time fasteners'
};
