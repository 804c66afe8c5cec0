/** What a drawing of the bench is given. */
export interface DrawingProps {
	/** The kind of thing that is selected. */
	selection: string | undefined;
	onselect: (kind: string) => void;
	frameNumbers?: boolean;
	edges?: 'thin' | 'plain' | 'bold';
}

/** Which part of a drawing was picked: the program knows the kind alone. */
export class Picking {
	readonly #props: () => DrawingProps;
	#picked = $state('');

	constructor(props: () => DrawingProps) {
		this.#props = props;
	}

	pick = (event: Event, kind: string, id: string) => {
		event.stopPropagation();
		this.#picked = id;
		this.#props().onselect(kind);
	};

	/** Whether the part is selected; all of the kind are when none of them was picked. */
	isOn = (kind: string, id: string) =>
		this.#props().selection === kind && (this.#picked === id || !this.#picked.startsWith(kind));
}
