import { readFileSync, writeFileSync } from 'node:fs';
import wabt from 'wabt';

const at = (path: string) => new URL(`../core/context/${path}`, import.meta.url);

/** The text of core/context/kernel-code.ts as core/context/kernel.wat says it. */
export async function kernelCode(): Promise<string> {
	const { parseWat } = await wabt();
	const { buffer } = parseWat('kernel.wat', readFileSync(at('kernel.wat'), 'utf8'), { simd: true }).toBinary({});
	return `/** Assembled from kernel.wat by \`npm run kernel\`, in base64. */\nexport const KERNEL_CODE =\n\t'${Buffer.from(buffer).toString('base64')}';\n`;
}

// npm run kernel
if (process.argv[1] === import.meta.filename) writeFileSync(at('kernel-code.ts'), await kernelCode());
