<script lang="ts">
	import { setDiagnostics, type Diagnostic } from '@codemirror/lint';
	import { EditorState, type Text } from '@codemirror/state';
	import { EditorView } from '@codemirror/view';
	import { onMount, untrack } from 'svelte';
	import type { AliasReportFinding } from '$core/chapters/aliases/report';
	import { spliceBetween } from '$core/chapter/text';
	import type { StratumId } from '$core/strata/stratum';
	import { aliasEditor, type EditorHost } from './editor';

	/** The alias file as a text, with what is wrong at its place. CodeMirror counts every line end as one sign. */
	let {
		text,
		findings,
		host,
		onfix
	}: {
		text: string;
		findings: readonly AliasReportFinding[];
		host: EditorHost;
		onfix: (fix: AliasReportFinding['fixes'][number]) => void;
	} = $props();
	let frame: HTMLDivElement;
	let view: EditorView | undefined;
	const SEVERITY = { error: 'error', attention: 'warning', note: 'info' } as const;
	/** The editor's own text has LF alone; the file keeps its line ends. */
	const lineEnd = $derived(text.includes('\r\n') ? '\r\n' : text.includes('\n') || !text.includes('\r') ? '\n' : '\r');
	let isTaking = false;

	onMount(() => {
		// within a shadow root the editor brings its styles as a sheet, which the page's content security policy lets in
		const root = frame.attachShadow({ mode: 'open' });
		view = new EditorView({
			parent: root,
			root,
			// what is typed is said before it is drawn: it is checked meanwhile
			dispatchTransactions(transactions, view) {
				if (!isTaking && transactions.some((t) => t.docChanged)) host.type(written(transactions.at(-1)!.newDoc));
				view.update(transactions);
			},
			state: EditorState.create({ doc: text, extensions: [aliasEditor(host)] })
		});
		return () => view?.destroy();
	});

	/** The text with the line ends of the file: lines that were not touched keep their own. */
	function written(doc: Text): string {
		const now = doc.toString();
		if (!text.includes('\r')) return now;
		const before = text.replaceAll(/\r\n?/g, '\n');
		const splice = spliceBetween('' as StratumId, before, now);
		if (!splice) return text;
		const [start, end] = [offsetIn(text, splice.at), offsetIn(text, splice.at + splice.before.length)];
		return text.slice(0, start) + splice.after.replaceAll('\n', lineEnd) + text.slice(end);
	}

	/** The offset in the file of an offset in the editor. */
	function offsetIn(file: string, wanted: number): number {
		if (!file.includes('\r')) return wanted;
		let at = 0;
		for (let seen = 0; seen < wanted; seen++) at += file.startsWith('\r\n', at) ? 2 : 1;
		return at;
	}

	function offsetFrom(file: string, offset: number): number {
		return file.includes('\r') ? file.slice(0, offset).replaceAll(/\r\n/g, '\n').length : offset;
	}

	$effect(() => {
		const wanted = text.includes('\r') ? text.replaceAll(/\r\n?/g, '\n') : text;
		if (!view) return;
		const splice = spliceBetween('' as StratumId, view.state.doc.toString(), wanted);
		if (!splice) return;
		isTaking = true;
		view.dispatch({ changes: { from: splice.at, to: splice.at + splice.before.length, insert: splice.after } });
		isTaking = false;
	});

	$effect(() => {
		const shown = findings;
		if (!view) return;
		const length = view.state.doc.length;
		const now = untrack(() => text);
		const diagnostics = shown.map((f): Diagnostic => {
			const from = Math.min(offsetFrom(now, f.start), length);
			return {
				from,
				to: Math.min(Math.max(from, offsetFrom(now, f.end)), length),
				severity: SEVERITY[f.severity],
				message: f.sentence,
				actions: f.fixes.map((fix) => ({ name: fix.label, apply: () => onfix(fix) }))
			};
		});
		view.dispatch(
			setDiagnostics(
				view.state,
				diagnostics.sort((a, b) => a.from - b.from)
			)
		);
	});

	/** Goes to a line of the text. */
	export function goTo(line: number, focus = true) {
		if (!view) return;
		const { from } = view.state.doc.line(Math.min(line, view.state.doc.lines));
		view.dispatch({ selection: { anchor: from }, effects: EditorView.scrollIntoView(from, { y: 'center' }) });
		if (focus) view.focus();
	}
</script>

<div class="frame" bind:this={frame}></div>

<style>
	.frame {
		flex: 1;
		min-height: 0;
		overflow: hidden;
	}
	.frame:focus-within {
		box-shadow: inset 0 0 0 2px var(--azurite);
	}
</style>
