import { checkedJson, parseJson } from '../format/json.ts';
import { LayoutFile, layoutOf, type Layout } from './layout.ts';

/** Reads a layout file. Throws `FileRefusedError` that says where and what was expected. */
export function readLayout(name: string, text: string): Layout {
	return layoutOf(checkedJson(parseJson(name, text), LayoutFile));
}
