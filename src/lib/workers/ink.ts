import { readInk, type InkShape } from '$core/chapters/gestures/inkml';
import { FileRefusedError, type FileProblem } from '$core/format/problem';

export interface ToInk {
	readonly file: string;
	readonly text: string;
}

export type FromInk =
	{ readonly shapes: readonly InkShape[] } | { readonly refused: readonly FileProblem[] } | { readonly failed: string };

export const hear = ({ data: { file, text } }: MessageEvent<ToInk>) => {
	try {
		self.postMessage({ shapes: readInk(file, text) } satisfies FromInk);
	} catch (error) {
		self.postMessage(
			(error instanceof FileRefusedError ? { refused: error.problems } : { failed: (error as Error).message }) satisfies FromInk
		);
	}
};
