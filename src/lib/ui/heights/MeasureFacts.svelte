<script lang="ts">
	import type { HeightMeasure } from '$core/height/measure';
	import { personalUnits } from '$lib/client/units';

	/** What the readings of a corner come to. */
	let { measure }: { measure: HeightMeasure | undefined } = $props();
	const units = personalUnits();
	const unit = $derived(units.choice.length);
</script>

<dl class="flex gap-x-4 sm:gap-x-6 sm:text-end">
	<div>
		<dt class="caption">Mean</dt>
		<dd class="num text-3xl max-sm:text-lg">
			{measure ? units.show(measure.meanMm, 'length', { decimals: unit === 'mm' ? 1 : 2 }) : '–'}
		</dd>
	</div>
	<div>
		<dt class="caption">95 %</dt>
		<dd class="num text-3xl max-sm:text-lg">
			{measure?.expandedUncertaintyMm === undefined
				? '–'
				: `± ${units.show(measure.expandedUncertaintyMm, 'length')}`}
		</dd>
	</div>
	<div>
		<dt class="caption">Spread</dt>
		<dd class="num text-3xl max-sm:text-lg">
			{measure && measure.n > 1 ? units.show(measure.rangeMm, 'length') : '–'}
		</dd>
	</div>
</dl>
