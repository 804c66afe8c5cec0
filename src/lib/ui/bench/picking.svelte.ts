import type { Camera } from '$core/surface/turning';

/** What a drawing of the bench is given. */
export interface DrawingProps {
	/** The kind of thing that is selected. */
	selection: string | undefined;
	onselect: (kind: string) => void;
	frameNumbers?: boolean;
	edges?: 'thin' | 'plain' | 'bold';
	/** From where a thing in space is looked at; a plan is always seen from above. */
	camera?: Camera;
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** Which part of a drawing was picked: the program knows the kind alone. By mouse, or with arrow keys, Enter and Space. */
export class Picking {
	readonly #props: () => DrawingProps;
	#picked = $state('');
	/** The part that Tab comes to. */
	#at = $state('');

	/** `first` is the part that Tab comes to at first. */
	constructor(props: () => DrawingProps, first: string) {
		this.#props = props;
		this.#at = first;
	}

	pick = (event: Event, kind: string, id: string) => {
		event.stopPropagation();
		this.#picked = id;
		this.#props().onselect(kind);
		// by mouse, the keys are the window's again
		if (event instanceof MouseEvent && event.detail > 0)
			(event.currentTarget as Element).closest<HTMLElement>('[role="application"]')?.focus();
	};

	/** Whether the part is selected; all of the kind are when none of them was picked. */
	isOn = (kind: string, id: string) =>
		this.#props().selection === kind && (this.#picked === id || !this.#picked.startsWith(kind));

	/** The attributes of a part; `name` says what it is. */
	part = (kind: string, id: string, name: string) => ({
		role: 'button',
		tabindex: this.#at === id ? 0 : -1,
		'aria-label': `Select ${name}`,
		'aria-pressed': this.isOn(kind, id),
		'data-part': id,
		onclick: (event: Event) => this.pick(event, kind, id),
		onfocus: () => (this.#at = id),
		onkeydown: (event: KeyboardEvent) => {
			if (event.ctrlKey || event.altKey || event.metaKey) return;
			const step = STEPS[event.key];
			if (event.key === 'Enter' || event.key === ' ') this.pick(event, kind, id);
			else if (step !== undefined) this.#go(event.currentTarget as Element, step);
			else return;
			event.preventDefault();
			event.stopPropagation();
		}
	});

	#go(from: Element, step: number): void {
		const parts = [...(from as SVGElement).ownerSVGElement!.querySelectorAll<SVGElement>('[data-part]')];
		parts[(parts.indexOf(from as SVGElement) + step + parts.length) % parts.length]?.focus();
	}
}
