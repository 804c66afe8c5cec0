import { autocompletion, completionKeymap, type CompletionContext, type CompletionResult } from '@codemirror/autocomplete';
import { defaultKeymap } from '@codemirror/commands';
import { lintGutter, lintKeymap } from '@codemirror/lint';
import { EditorState, RangeSetBuilder, type Extension } from '@codemirror/state';
import {
	Decoration,
	EditorView,
	drawSelection,
	highlightActiveLine,
	keymap,
	lineNumbers,
	ViewPlugin,
	type DecorationSet,
	type ViewUpdate
} from '@codemirror/view';
import type { Command } from '$core/application/command';
import { readWith } from '$core/recipe/reading';
import type { Recipe } from '$core/recipe/recipe';

/** What the editor of a text needs of the page around it. */
export interface EditorHost {
	recipe(): Recipe;
	find(text: string): readonly Command[];
	type(text: string): void;
	undo(): void;
	redo(): void;
	/** Comments the records of these lines out, or in again. */
	toggle(from: number, to: number): void;
	/** The cursor stands on this line. */
	stand(line: number): void;
	/** These lines are seen. */
	see(from: number, to: number): void;
}

const marks = Object.fromEntries(
	['alias', 'command', 'note', 'keys', 'context', 'lock', 'skip', 'off', 'rest'].map((name) => [
		name,
		Decoration.mark({ class: `al-${name}` })
	])
);

/** Colours the parts of the records that are seen, line by line; shapes that are not made of lines stay plain. */
function highlight(recipe: () => Recipe): Extension {
	const build = (view: EditorView): DecorationSet => {
		const builder = new RangeSetBuilder<Decoration>();
		const { record, ...head } = recipe();
		const isByLine = record.shape === 'line' || record.shape === 'delimited';
		if (!isByLine) return builder.finish();
		const own: Recipe = { ...head, record: record.shape === 'delimited' ? { ...record, header: false } : record };
		for (const { from, to } of view.visibleRanges)
			for (let at = from; at <= to;) {
				const line = view.state.doc.lineAt(at);
				const [found] = line.length < 4_000 ? readWith(own, 'line', line.text).records : [];
				if (!found) {
					if (line.text.trim() !== '') builder.add(line.from, line.to, marks['rest']!);
				} else if (found.off) builder.add(line.from, line.to, marks['off']!);
				else
					for (const [field, span] of Object.entries(found.fields).sort(([, a], [, b]) => a.start - b.start))
						if (span.end > span.start) builder.add(line.from + span.start, line.from + span.end, marks[field]!);
				at = line.to + 1;
			}
		return builder.finish();
	};
	return ViewPlugin.fromClass(
		class {
			decorations: DecorationSet;
			constructor(view: EditorView) {
				this.decorations = build(view);
			}
			update(update: ViewUpdate) {
				if (update.docChanged || update.viewportChanged) this.decorations = build(update.view);
			}
		},
		{ decorations: (plugin) => plugin.decorations }
	);
}

/** Command names where a record has its command. */
function complete(host: Pick<EditorHost, 'recipe' | 'find'>) {
	return (context: CompletionContext): CompletionResult | null => {
		const word = context.matchBefore(/[^\s,;|=<>"']+/);
		if (!word || (word.text.length < 2 && !context.explicit)) return null;
		const line = context.state.doc.lineAt(context.pos);
		if (line.text.slice(0, word.from - line.from).trim() === '') return null;
		const options = host
			.find(word.text)
			.map((command) => ({ label: command.id as string, detail: command.label, type: 'function' }));
		return options.length > 0 ? { from: word.from, options, filter: false } : null;
	};
}

const theme = EditorView.theme({
	'&': { height: '100%', backgroundColor: 'var(--ground)', color: 'var(--ink)', fontSize: '13px' },
	'&.cm-focused': { outline: 'none' },
	'.cm-scroller': { fontFamily: 'var(--mono)', lineHeight: '1.55', fontVariantLigatures: 'none' },
	'.cm-lint-marker': { content: 'normal', width: '100%', textAlign: 'center', lineHeight: '1.55' },
	'.cm-lint-marker-error::before': { content: '"◆"', color: 'var(--garnet)' },
	'.cm-lint-marker-warning::before': { content: '"▲"', color: 'var(--limonite)' },
	'.cm-lint-marker-info::before': { content: '"○"', color: 'var(--azurite)' },
	'.cm-gutters': { backgroundColor: 'var(--panel)', color: 'var(--ink-3)', borderRight: '1px solid var(--line)' },
	'.cm-activeLine, .cm-activeLineGutter': { backgroundColor: 'var(--azurite-wash)' },
	'.cm-cursor': { borderLeftColor: 'var(--ink)', borderLeftWidth: '2px' },
	'&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground': {
		backgroundColor: 'color-mix(in srgb, var(--azurite) 30%, transparent) !important'
	},
	'.cm-tooltip': {
		backgroundColor: 'var(--raised)',
		color: 'var(--ink)',
		border: '1px solid var(--control)',
		borderRadius: '4px',
		maxWidth: '520px'
	},
	'.cm-tooltip-autocomplete > ul > li[aria-selected]': { backgroundColor: 'var(--azurite-wash)', color: 'var(--ink)' },
	'.cm-diagnostic': { fontFamily: 'var(--font)', fontSize: '13px' },
	'.cm-diagnosticAction': {
		backgroundColor: 'transparent',
		border: '1px solid var(--control)',
		borderRadius: '3px',
		color: 'var(--ink)'
	},
	'.al-alias, .al-keys': { fontWeight: '700', color: 'var(--azurite)' },
	'.al-command': { color: 'var(--ink)' },
	'.al-note': { color: 'var(--ink-2)', fontStyle: 'italic' },
	'.al-lock': { color: 'var(--garnet)', fontWeight: '700' },
	'.al-off, .al-rest': { color: 'var(--ink-2)' },
	'.al-off': { textDecoration: 'line-through', textDecorationColor: 'var(--line-strong)' }
});

/** Everything that makes an editor of one alias file. Undo and redo are those of the profile. */
export function aliasEditor(host: Omit<EditorHost, 'type'>): Extension {
	const run = (work: () => void) => () => (work(), true);
	return [
		lineNumbers(),
		lintGutter(),
		drawSelection(),
		highlightActiveLine(),
		autocompletion({ override: [complete(host)] }),
		highlight(host.recipe),
		EditorState.allowMultipleSelections.of(false),
		keymap.of([
			{ key: 'Mod-z', run: run(host.undo), preventDefault: true, stopPropagation: true },
			{ key: 'Mod-y', mac: 'Mod-Shift-z', run: run(host.redo), preventDefault: true, stopPropagation: true },
			{
				key: 'Mod-/',
				run: ({ state }) => {
					const { from, to } = state.selection.main;
					host.toggle(state.doc.lineAt(from).number, state.doc.lineAt(to).number);
					return true;
				}
			},
			...completionKeymap,
			...lintKeymap,
			...defaultKeymap.filter((binding) => binding.key !== 'Mod-/')
		]),
		EditorView.contentAttributes.of({ 'aria-label': 'Text of the alias file' }),
		EditorView.updateListener.of((update) => {
			if (update.viewportChanged) {
				const { from, to } = update.view.viewport;
				host.see(update.state.doc.lineAt(from).number, update.state.doc.lineAt(to).number);
			}
			if (update.selectionSet || update.docChanged) host.stand(update.state.doc.lineAt(update.state.selection.main.head).number);
		}),
		theme
	];
}
