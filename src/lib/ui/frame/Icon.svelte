<!-- A sign of the frame. All are drawn in one file, so that a page does not carry their outlines each time. -->
<script lang="ts">
	import icons from './icons.svg?no-inline';

	interface Props {
		name:
			| 'calendar-range'
			| 'car-front'
			| 'circle-user'
			| 'clipboard-list'
			| 'drafting-compass'
			| 'image-down'
			| 'keyboard'
			| 'link'
			| 'printer'
			| 'rotate-ccw'
			| 'warehouse'
			| 'wrench';
		/** Its size. */
		class?: string;
	}
	let { name, class: size = 'size-5' }: Props = $props();
</script>

<svg class={size} aria-hidden="true"><use href="{icons}#{name}" /></svg>
