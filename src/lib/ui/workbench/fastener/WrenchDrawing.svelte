<script lang="ts">
	import { personalUnits } from '$lib/client/units';
	import { draggable } from '$lib/ui/corner/drag';

	/** Wrench and adapter from above, to scale; the nut can be moved round the drive. */
	interface Props {
		targetNm: number;
		settingNm: number | undefined;
		wrenchLengthMm: number;
		adapterLengthMm: number;
		adapterAngleDeg: number;
		onangle: (deg: number) => void;
	}
	let { targetNm, settingNm, wrenchLengthMm, adapterLengthMm, adapterAngleDeg, onangle }: Props =
		$props();
	const units = personalUnits();
	const show = (nm: number) => units.show(nm, 'torque');

	const scale = $derived(440 / Math.max(wrenchLengthMm + adapterLengthMm, 100));
	const drive = $derived([560 - adapterLengthMm * scale * 0.6, 170] as const);
	const nut = $derived.by(() => {
		const angle = (adapterAngleDeg * Math.PI) / 180;
		const e = Math.max(adapterLengthMm * scale, 1);
		return [drive[0] + e * Math.cos(angle), drive[1] - e * Math.sin(angle)] as const;
	});
	const corners = [0, 60, 120, 180, 240, 300];
</script>

<svg
	viewBox="0 0 780 340"
	class="drawn select-none"
	role="img"
	aria-label="Wrench and adapter from above, to scale"
>
	<path
		d="M {drive[0] - wrenchLengthMm * scale} {drive[1]} H {drive[0]}"
		class="stroke-soft"
		stroke-width="12"
		stroke-linecap="round"
	/>
	<path
		d="M {drive[0] - wrenchLengthMm * scale - 34} {drive[1]} h 68"
		class="stroke-ink"
		stroke-width="24"
		stroke-linecap="round"
	/>
	<path
		d="M {drive[0]} {drive[1]} L {nut[0]} {nut[1]}"
		class="stroke-spruce"
		stroke-width="14"
		stroke-linecap="round"
	/>
	<circle cx={drive[0]} cy={drive[1]} r="17" class="fill-panel stroke-ink" stroke-width="4" />
	<rect x={drive[0] - 6} y={drive[1] - 6} width="12" height="12" class="fill-ink" />
	<g
		class="cursor-grab touch-none"
		{@attach draggable(
			() => (place) =>
				onangle(Math.round((Math.atan2(drive[1] - place.y, place.x - drive[0]) * 180) / Math.PI))
		)}
	>
		<circle cx={nut[0]} cy={nut[1]} r="34" fill="transparent" />
		<path
			d={`M ${corners.map((a) => `${nut[0] + 22 * Math.cos((a * Math.PI) / 180)} ${nut[1] + 22 * Math.sin((a * Math.PI) / 180)}`).join(' L ')} Z`}
			class="fill-panel stroke-ink"
			stroke-width="4"
		/>
		<circle cx={nut[0]} cy={nut[1]} r="8" class="fill-ink" />
	</g>
	<path
		d="M {drive[0]} {drive[1] + 46} v 18 m 0 -9 H {drive[0] - wrenchLengthMm * scale} m 0 -9 v 18"
		fill="none"
		class="stroke-mark"
		stroke-width="1.6"
	/>
	<text
		x={drive[0] - (wrenchLengthMm * scale) / 2}
		y={drive[1] + 82}
		text-anchor="middle"
		font-size="15"
		font-weight="600"
		class="text-mark">{units.show(wrenchLengthMm, 'length')}</text
	>
	<text x={nut[0] + 40} y={nut[1] - 22} font-size="16" font-weight="700">{show(targetNm)}</text>
	<text
		x={drive[0] - wrenchLengthMm * scale - 40}
		y={drive[1] - 30}
		font-size="16"
		font-weight="700">set {settingNm === undefined ? '' : show(settingNm)}</text
	>
</svg>
