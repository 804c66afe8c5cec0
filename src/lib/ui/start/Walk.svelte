<script lang="ts">
	import { Tour } from 'flowbite-svelte';

	/** Seven steps that point at the real controls; left at any time with Escape, by keys or mouse. */
	let { onclose }: { onclose: () => void } = $props();
	let active = $state(true);
	let currentStep = $state(0);

	const steps = [
		{
			target: '[data-walk="application"]',
			title: 'The program',
			description: 'All that you see is of one program. Three come with the demo; Programs … brings your own.',
			placement: 'bottom'
		},
		{
			target: '[data-walk="profile"]',
			title: 'Who says what',
			description:
				'What the factory says lies at the bottom, the office’s word over it, yours on top. The bright band is what you write to.',
			placement: 'bottom'
		},
		{
			target: '[data-walk="situation"]',
			title: 'Where you stand',
			description:
				'A key may do one thing in a sketch and another in an assembly. Choose the situation that answers are given for.',
			placement: 'bottom'
		},
		{
			target: '[data-walk="probe"]',
			title: 'What would it do?',
			description: 'Ask from anywhere, with Alt Q: press any keys and read what they do here and everywhere. Nothing runs.',
			placement: 'bottom'
		},
		{
			target: 'nav.rail a[href$="/commands"]',
			title: 'Find and shape',
			description: 'Commands gives keys, Keyboard shows them all. Beneath them stand typed names, macros and options.',
			placement: 'right'
		},
		{
			target: 'nav.rail a[href$="/findings"]',
			title: 'Prove',
			description:
				'Findings tells what clashes or cannot be pressed, with ways out that were tried; the bench lets you try them.',
			placement: 'right'
		},
		{
			target: '[data-walk="draft"]',
			title: 'Your draft',
			description:
				'Everything that you change stands here until it is published, and can be taken back: one by one, or with Ctrl Z.',
			placement: 'top'
		}
	] as const;

	function end() {
		active = false;
		onclose();
	}
</script>

<Tour
	steps={[...steps]}
	bind:active
	bind:currentStep
	scrollBehavior="auto"
	oncomplete={end}
	onskip={end}
	role="dialog"
	aria-label="A walk in seven steps"
/>
