<script lang="ts">
	import { directionsOf } from '$core/chapters/gestures/gesture';
	import { deviationOf, missOf } from '$core/hand/circular';
	import { handAt } from '$core/hand/hand-test';
	import { directionText } from '$core/stroke/mouse';
	import { COMMAND } from '$lib/state/bar-drag.svelte';
	import type { GestureDesk, Petal, RoseView } from '$lib/state/gesture-desk.svelte';
	import type { CommandId } from '$core/application/command';
	import { useWorkspace } from '$lib/state/workspace.svelte';

	/** One rose: its directions round the point where the button is pressed, with what a flick into each runs. */
	let { desk, view, id }: { desk: GestureDesk; view: RoseView; id: string } = $props();
	const workspace = useWorkspace();
	const SIZE = { width: 348, height: 212 };
	const CENTRE = { x: SIZE.width / 2, y: SIZE.height / 2 };
	/** Within the inner circle nothing has been flicked yet; labels stand round the outer one. */
	const [INNER, OUTER, LABELS] = [20, 78, 88] as const;
	const PETAL = 'application/x-skarn-petal';
	/** More flicks that land wrong than this show. */
	const WRONG = 0.05;
	let over = $state<number | undefined>(undefined);
	const { entry } = $derived(view.rose);
	const half = $derived(180 / entry.directions);

	/** Where the hand that is looked at goes in each direction: nineteen of twenty flicks, and how many of all land wrong. */
	const strays = $derived.by(() => {
		const { hand } = desk;
		if (!hand) return [];
		return directionsOf(entry).map((degrees) => {
			const { bias, kappa } = handAt(hand, degrees);
			// who flicks has the compass in mind, however the rose is turned
			const middle = degrees + bias - entry.turn;
			return {
				from: middle - 1.96 * deviationOf(kappa),
				to: middle + 1.96 * deviationOf(kappa),
				misses: missOf(kappa, bias - entry.turn, half)
			};
		});
	});
	const wedge = (from: number, to: number) =>
		`M${point(from, INNER + 4)} L${point(from, OUTER - 3)} A${OUTER - 3} ${OUTER - 3} 0 0 1 ${point(to, OUTER - 3)} L${point(to, INNER + 4)} A${INNER + 4} ${INNER + 4} 0 0 0 ${point(from, INNER + 4)}Z`;

	const at = (degrees: number, radius: number) => {
		const angle = ((degrees + entry.turn) * Math.PI) / 180;
		return { x: CENTRE.x + Math.sin(angle) * radius, y: CENTRE.y - Math.cos(angle) * radius };
	};
	const point = (degrees: number, radius: number) => {
		const { x, y } = at(degrees, radius);
		return `${x.toFixed(1)} ${y.toFixed(1)}`;
	};
	/** The ring from one border of the sector to the other; a half circle is drawn in two arcs. */
	function sector(degrees: number): string {
		const [from, to] = [degrees - half, degrees + half];
		return `M${point(from, INNER)} L${point(from, OUTER)} A${OUTER} ${OUTER} 0 0 1 ${point(degrees, OUTER)} A${OUTER} ${OUTER} 0 0 1 ${point(to, OUTER)} L${point(to, INNER)} A${INNER} ${INNER} 0 0 0 ${point(degrees, INNER)} A${INNER} ${INNER} 0 0 0 ${point(from, INNER)}Z`;
	}
	const commandOf = ({ own, inherited }: Petal) => {
		const binding = own[0] ?? inherited;
		return binding && (workspace.catalogue.get(binding.command) ?? { label: binding.command, icon: '', id: binding.command });
	};
	const kindOf = ({ own }: Petal) => workspace.profile.find((s) => s.id === own[0]?.stratum)?.kind;
	const anchor = (degrees: number) => {
		const side = Math.sin(((degrees + entry.turn) * Math.PI) / 180);
		return side > 0.3 ? 'start' : side < -0.3 ? 'end' : 'middle';
	};
	/** How much of a label of several lines stands above its place: all of it over the rose, none below, half at the sides. */
	const above = (degrees: number) => (1 + Math.cos(((degrees + entry.turn) * Math.PI) / 180)) / 2;
	const WIDEST = 14;
	const short = (text: string) => (text.length > WIDEST ? `${text.slice(0, WIDEST - 1)}…` : text);

	/** A label on one line or two, each as wide as there is room. */
	function lines(text: string): string[] {
		if (text.length <= WIDEST) return [text];
		const at = text.lastIndexOf(' ', WIDEST);
		return at <= 0 ? [short(text)] : [text.slice(0, at), short(text.slice(at + 1))];
	}
	const isSelected = (degrees: number) => desk.selected?.rose === view.id && desk.selected.degrees === degrees;

	function drop(event: DragEvent, degrees: number) {
		event.preventDefault();
		over = undefined;
		const command = event.dataTransfer?.getData(COMMAND);
		const petal = event.dataTransfer?.getData(PETAL);
		if (command) void desk.assign(view, degrees, command as CommandId);
		else if (petal) void desk.carry(JSON.parse(petal) as { rose: string; degrees: number }, { rose: view.id, degrees });
		desk.select(view.id, degrees);
	}
</script>

<svg viewBox="0 0 {SIZE.width} {SIZE.height}" role="presentation">
	{#each view.petals as petal (petal.degrees)}
		{@const { degrees } = petal}
		{@const command = commandOf(petal)}
		{@const place = at(degrees, (INNER + OUTER) / 2 + 4)}
		{@const label = at(degrees, LABELS)}
		{#if desk.shows(petal) || isSelected(degrees)}
			<!-- svelte-ignore a11y_click_events_have_key_events -->
			<g
				id="{id}-{degrees}"
				role="option"
				tabindex="-1"
				aria-selected={isSelected(degrees)}
				aria-label="{directionText(degrees)}: {command?.label ?? 'nothing'}{petal.own.length === 0 && command
					? ', from a wider scope'
					: ''}"
				class:selected={isSelected(degrees)}
				class:over={over === degrees}
				class:inherited={petal.own.length === 0}
				onclick={() => desk.select(view.id, degrees)}
				ondragover={(event) => {
					event.preventDefault();
					over = degrees;
				}}
				ondragleave={() => (over = undefined)}
				ondrop={(event) => drop(event, degrees)}
			>
				<path class="petal from-{kindOf(petal) ?? 'none'}" d={sector(degrees)} />
				{#if command}
					<svg class="icon" x={place.x - 9} y={place.y - 9} width="18" height="18">
						<use href="/command-icons.svg#{command.icon || 'point'}" />
					</svg>
					{@const said = lines(command.label)}
					<text aria-hidden="true" text-anchor={anchor(degrees)}
						>{#each said as line, i (i)}<tspan x={label.x} y={label.y + 4 + (i - (said.length - 1) * above(degrees)) * 14}
								>{i === said.length - 1 ? line : `${line} `}</tspan
							>{/each}<title>{command.label}</title></text
					>
				{:else}
					<text class="empty" x={place.x} y={place.y + 5} text-anchor="middle">{directionText(degrees)}</text>
				{/if}
				{#if petal.own.length > 1}<text class="clash" x={place.x + 11} y={place.y - 8}>{petal.own.length}</text>{/if}
			</g>
		{/if}
	{/each}
	{#each strays as { from, to, misses }, i (i)}
		<path class="stray" class:wrong={misses > WRONG} d={wedge(from, to)}
			><title>{(misses * 100).toFixed(1)} % land wrong</title></path
		>
	{/each}
	<circle cx={CENTRE.x} cy={CENTRE.y} r="3" class="dot" />
</svg>

<!-- what is carried by mouse cannot begin on a drawn shape: a handle stands over the one that is selected -->
{#if desk.selected?.rose === view.id && desk.current && desk.current.petal.own.length > 0}
	{@const place = at(desk.selected.degrees, (INNER + OUTER) / 2 + 4)}
	<div
		class="handle"
		role="presentation"
		draggable="true"
		style="left:{(place.x / SIZE.width) * 100}%;top:{(place.y / SIZE.height) * 100}%"
		ondragstart={(event) => event.dataTransfer?.setData(PETAL, JSON.stringify(desk.selected))}
	></div>
{/if}

<style>
	svg {
		display: block;
		width: 100%;
	}
	.petal {
		fill: var(--ground);
		stroke: var(--line-strong);
		stroke-width: 1;
	}
	.inherited .petal {
		stroke-dasharray: 3 3;
	}
	.from-office {
		fill: color-mix(in srgb, var(--s-office) 16%, var(--ground));
	}
	.from-personal {
		fill: color-mix(in srgb, var(--s-personal) 16%, var(--ground));
	}
	.from-factory {
		fill: color-mix(in srgb, var(--s-factory) 18%, var(--ground));
	}
	g {
		outline: none;
		cursor: default;
	}
	g:hover .petal,
	.over .petal {
		fill: var(--azurite-wash);
	}
	.selected .petal {
		stroke: var(--azurite);
		stroke-width: 2.5;
		stroke-dasharray: none;
	}
	.icon {
		width: 18px;
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.7;
		stroke-linecap: round;
		stroke-linejoin: round;
	}
	.inherited .icon {
		stroke: var(--ink-3);
	}
	text {
		fill: var(--ink);
		font-size: var(--caption);
		font-stretch: 86%;
	}
	.inherited text,
	.empty {
		fill: var(--ink-3);
	}
	.clash {
		fill: var(--garnet);
		font-weight: 700;
	}
	.stray {
		fill: var(--epidote);
		fill-opacity: 0.3;
		pointer-events: none;
	}
	.stray.wrong {
		fill: var(--limonite);
		fill-opacity: 0.5;
	}
	.dot {
		fill: var(--ink);
	}
	.handle {
		position: absolute;
		width: 26px;
		height: 26px;
		transform: translate(-50%, -50%);
		cursor: grab;
	}
</style>
