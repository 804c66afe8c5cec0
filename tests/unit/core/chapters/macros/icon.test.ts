import { expect } from 'chai';
import fc from 'fast-check';
import { zlibSync } from 'fflate';
import { cleanSvg, IconError, iconOf, MacroIcon } from '../../../../../core/chapters/macros/icon.ts';

const bytes = (text: string) => new TextEncoder().encode(text);

/**
 * A grey picture with a true header; the check sums are left at zero, since only signature, IHDR and size are read
 * (PNG Specification, W3C Recommendation 10 November 2003 = ISO/IEC 15948, 5.2 signature, 5.3 chunk layout, 11.2.2 IHDR).
 */
function png(width: number, height: number): Uint8Array {
	const chunk = (type: string, body: Uint8Array) => {
		const head = new DataView(new ArrayBuffer(4));
		head.setUint32(0, body.length);
		return [...new Uint8Array(head.buffer), ...bytes(type), ...body, 0, 0, 0, 0];
	};
	const header = new DataView(new ArrayBuffer(13));
	header.setUint32(0, width);
	header.setUint32(4, height);
	header.setUint8(8, 8);
	return Uint8Array.from([
		...[137, 80, 78, 71, 13, 10, 26, 10],
		...chunk('IHDR', new Uint8Array(header.buffer)),
		...chunk('IDAT', zlibSync(new Uint8Array(4))),
		...chunk('IEND', new Uint8Array())
	]);
}

describe('icons of macros', () => {
	it('keep a drawing as it is', () => {
		const drawing = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 24 24"><path d="M0 0h24" stroke="#123"></path></svg>';
		expect(cleanSvg(drawing)).to.deep.equal({ svg: drawing, dropped: [] });
	});

	for (const [what, inside] of [
		['a script', '<script>alert(1)</script>'],
		['an event', '<path d="M0 0" onload="alert(1)"/>'],
		['a page in the picture', '<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><img src="x"/></body></foreignObject>'],
		['a link', '<a href="javascript:alert(1)"><path d="M0 0"/></a>'],
		['another file', '<image href="http://127.0.0.1/x.png"/>'],
		['a reference out', '<use href="http://127.0.0.1/x.svg#a"/>'],
		['a paint from outside', '<path fill="url(http://127.0.0.1/x)" d="M0 0"/>'],
		['a style', '<style>@import "http://127.0.0.1/x.css";</style><path style="fill:url(http://127.0.0.1/x)" d="M0"/>'],
		['an animation', '<path d="M0"><animate attributeName="href" values="javascript:alert(1)"/></path>']
	] as const)
		it(`leave out ${what} and say so`, () => {
			const { svg, dropped } = cleanSvg(`<svg xmlns="http://www.w3.org/2000/svg">${inside}</svg>`);
			expect(dropped).to.not.be.empty;
			expect(svg).to.not.match(/script|onload|javascript|127\.0\.0\.1|foreignObject|@import|animate/i);
		});

	it('refuse document types, which may hold entities, and what is no picture', () => {
		expect(() => cleanSvg('<!DOCTYPE svg [<!ENTITY a "b">]><svg/>')).to.throw(IconError, 'document type');
		expect(() => cleanSvg('<svg><path></svg>')).to.throw(IconError, 'not well-formed');
		expect(() => cleanSvg('<html/>')).to.throw(IconError, 'an SVG begins with <svg>');
		expect(() => iconOf(bytes(''))).to.throw(IconError);
		expect(() => iconOf(Uint8Array.of(0, 255, 1))).to.throw(IconError, 'neither an SVG nor a PNG');
		expect(() => iconOf(new Uint8Array(40_000))).to.throw(IconError, 'bytes');
	});

	it('take a PNG by its signature and size', () => {
		expect(iconOf(png(32, 32)).icon).to.match(/^data:image\/png;base64,iVBORw0KGgo/);
		expect(() => iconOf(png(4000, 4000))).to.throw(IconError, '4000 x 4000');
		expect(() => iconOf(png(32, 32).slice(0, 20))).to.throw(IconError, 'not a PNG');
	});

	it('are taken from a file only if they hold nothing that would be left out', () => {
		expect(MacroIcon.safeParse('ruler').success).to.equal(true);
		expect(MacroIcon.safeParse(iconOf(png(8, 8)).icon).success).to.equal(true);
		expect(MacroIcon.safeParse(`data:image/svg+xml;base64,${btoa('<svg onload="x"/>')}`).success).to.equal(false);
		expect(MacroIcon.safeParse('data:text/html;base64,AAAA').success).to.equal(false);
		expect(MacroIcon.safeParse('data:image/png;base64,%%%').success).to.equal(false);
	});

	it('once clean, stay as they are, whatever was thrown at them', () => {
		const nasty = fc.stringMatching(/^[<>a-z/="'&;:#() 0-9!?[\]-]{0,60}$/);
		fc.assert(
			fc.property(nasty, (inside) => {
				let svg: string;
				try {
					({ svg } = cleanSvg(`<svg>${inside}</svg>`));
				} catch (error) {
					expect(error).to.be.instanceOf(IconError);
					return;
				}
				expect(cleanSvg(svg)).to.deep.equal({ svg, dropped: [] });
			}),
			{ numRuns: 3_000 }
		);
	});
});
