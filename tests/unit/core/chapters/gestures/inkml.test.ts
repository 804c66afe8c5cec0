import { XMLParser } from 'fast-xml-parser';
import { expect } from 'chai';
import { inkAsShapes, pointsOf, readInk, writeInk } from '../../../../../core/chapters/gestures/inkml.ts';
import { sampleOf, type Shape } from '../../../../../core/chapters/gestures/shape.ts';
import { FileRefusedError } from '../../../../../core/format/problem.ts';
import { MARKS } from '../../../strokes.ts';

const shape = (id: string, more: Partial<Shape> = {}): Shape => ({
	id,
	label: id,
	samples: [sampleOf(MARKS[id]!), sampleOf(MARKS[id]!.map((v) => v * 1.3))],
	isEitherWay: false,
	isTurned: false,
	...more
});
const ink = (inside: string) => `<ink xmlns="http://www.w3.org/2003/InkML">${inside}</ink>`;
const refused = (text: string): string => {
	try {
		readInk('a.inkml', text);
	} catch (error) {
		if (error instanceof FileRefusedError) return error.message;
		throw error;
	}
	return 'taken';
};

describe('Traces of InkML', () => {
	// W3C InkML, 3.3.1: the worked example of differences, and its table of values (from memory of the Recommendation)
	it('read the worked example of the Recommendation: differences of differences, signs in place of blanks, repeats', () => {
		const channels = [
			{ name: 'X', isRegular: true },
			{ name: 'Y', isRegular: true },
			{ name: 'B1', isRegular: false },
			{ name: 'B2', isRegular: false }
		];
		const points = pointsOf(`1125 18432,'23'43,"7"-8,3-5,7 -3,6 2,6 8,3 6 T,2 4*T,3 6,3-6 F F`, channels);
		const pairs = Array.from({ length: points.length / 2 }, (_, i) => [points[2 * i], points[2 * i + 1]]);
		expect(pairs).to.deep.equal([
			[1125, 18432],
			[1148, 18475],
			[1178, 18510],
			[1211, 18540],
			[1251, 18567],
			[1297, 18596],
			[1349, 18633],
			[1404, 18676],
			[1461, 18723],
			[1521, 18776],
			[1584, 18823]
		]);
	});

	it('read plain values, fractions, hexadecimal ones, and what goes back to plain', () => {
		expect(pointsOf('10 0, 9 14, 8 28')).to.deep.equal([10, 0, 9, 14, 8, 28]);
		expect(pointsOf('1.5 -.5,#1F #a')).to.deep.equal([1.5, -0.5, 31, 10]);
		expect(pointsOf("5 5,'1 '2,1 2,!100 !50,1 1")).to.deep.equal([5, 5, 6, 7, 7, 9, 100, 50, 1, 1]);
		expect(pointsOf("5 5,'1'2,* *")).to.deep.equal([5, 5, 6, 7, 7, 9]);
		expect(pointsOf('  ')).to.deep.equal([]);
	});

	it('say what is wrong and in which point', () => {
		expect(() => pointsOf('1 2, 3')).to.throw(SyntaxError, 'the point 2 has 1 of 2 values');
		expect(() => pointsOf('1 2 3')).to.throw(SyntaxError, 'more values than the 2 channels');
		expect(() => pointsOf('1 2, x y')).to.throw(SyntaxError, 'the point 2 has "x y", which is no value');
		expect(() => pointsOf('1 2,,3 4')).to.throw(SyntaxError, 'the point 2 is empty');
		expect(() => pointsOf("'1 '2")).to.throw(SyntaxError, 'a difference, of nothing');
		expect(() => pointsOf('NaN 1')).to.throw(SyntaxError, 'no value');
	});
});

describe('Formats, contexts and units of InkML', () => {
	const trace = (points: string, more = '') => `<trace ${more}>${points}</trace>`;
	const format = (id: string, inside: string) => `<traceFormat xml:id="${id}">${inside}</traceFormat>`;
	const XY = '<channel name="X"/><channel name="Y"/>';
	const YX = '<channel name="Y"/><channel name="X"/>';
	const only = (inside: string) => readInk('a.inkml', ink(inside))[0]!.samples[0]!;

	// W3C InkML, 3.2 and 4.3 (from memory): what stands in definitions holds only where it is referred to
	it('hold only where they are referred to when they are definitions', () => {
		const plain = only(trace('0 0, 10 50'));
		expect(plain).to.deep.equal([0, 0, 10, 50]);
		expect(only(`<definitions>${format('f', YX)}</definitions>${trace('0 0, 10 50')}`)).to.deep.equal(plain);
		expect(
			only(`<definitions>${format('f', YX)}<context xml:id="c" traceFormatRef="#f"/></definitions>${trace('0 0, 10 50')}`)
		).to.deep.equal(plain);
		const swapped = [0, 0, 50, 10];
		const defined = `<definitions>${format('f', YX)}<context xml:id="c" traceFormatRef="#f"/></definitions>`;
		expect(only(`${defined}${trace('0 0, 10 50', 'contextRef="#c"')}`)).to.deep.equal(swapped);
		const inside = `<definitions><context xml:id="c"><inkSource xml:id="s">${format('f', YX)}</inkSource></context></definitions>`;
		expect(only(`${inside}${trace('0 0, 10 50', 'contextRef="#c"')}`)).to.deep.equal(swapped);
		const source = `<definitions><inkSource xml:id="s">${format('f', YX)}</inkSource><context xml:id="c" inkSourceRef="#s"/></definitions>`;
		expect(only(`${source}${trace('0 0, 10 50', 'contextRef="#c"')}`)).to.deep.equal(swapped);
		// outside of definitions a context is that of the traces behind it
		expect(only(`<context xml:id="c">${format('f', YX)}</context>${trace('0 0, 10 50')}`)).to.deep.equal(swapped);
		expect(
			only(`<context>${format('f', YX)}</context><context>${format('g', XY)}</context>${trace('0 0, 10 50')}`)
		).to.deep.equal(plain);
	});

	it('turn what grows upwards, and make px of units', () => {
		const up = '<channel name="X"/><channel name="Y" orientation="-ve"/>';
		expect(only(`<context>${format('f', up)}</context>${trace('0 0, 10 50')}`)).to.deep.equal([0, 50, 10, 0]);
		const units = (unit: string) => `<channel name="X" units="${unit}"/><channel name="Y" units="${unit}"/>`;
		expect(only(`<context>${format('f', units('in'))}</context>${trace('0 0, 1 2')}`)).to.deep.equal([0, 0, 96, 192]);
		expect(only(`<context>${format('f', units('m'))}</context>${trace('0 0, .0254 .0508')}`)).to.deep.equal([0, 0, 96, 192]);
		expect(only(`<context>${format('f', units('cm'))}</context>${trace('0 0, 2.54 5.08')}`)).to.deep.equal([0, 0, 96, 192]);
		// metres whose unit nobody has named keep their shape
		const [, , x, y] = only(trace('0 0, .01 .02'));
		expect([x, y]).to.deep.equal([120, 240]);
	});

	it('refuse what no hand draws, and keep a shape of any other size', () => {
		const tiny = `0.${'0'.repeat(30)}1`;
		expect(only(trace(`0 0, ${tiny} ${tiny}`))).to.deep.equal([0, 0, 240, 240]);
		expect(only(trace('0 0, 900000 450000'))).to.deep.equal([0, 0, 240, 120]);
		const zeros = '0'.repeat(320);
		for (const huge of [`1${'0'.repeat(20)}`, `1${zeros}`, `#${'F'.repeat(300)}`])
			expect(refused(ink(trace(`0 0, ${huge} 1`))), huge.slice(0, 8)).to.match(/line 1.*px; expected at most/);
		expect(refused(ink(trace(`0 0, 0.${zeros}1 0.${zeros}1`)))).to.match(/has no size/);
	});

	it('are counted while they are read', () => {
		const points = '1 2,'.repeat(1_000_010);
		expect(refused(ink(trace(`${points}5 6`)))).to.match(/more than 1000000 points/);
	});
});

describe('Shapes as InkML', () => {
	it('come back as they went out', () => {
		const shapes = [
			shape('circle', { label: 'Ring & <more>', isTurned: true }),
			shape('zed', { isEitherWay: true }),
			shape('hook')
		];
		const back = inkAsShapes(readInk('shapes.inkml', writeInk(shapes)), shapes);
		expect(back).to.deep.equal(shapes);
	});

	it('are well-formed, in the namespace of InkML, a group with its name for each', () => {
		const parsed = new XMLParser({ ignoreAttributes: false }).parse(writeInk([shape('circle'), shape('zed')])) as {
			ink: { '@_xmlns': string; traceGroup: { '@_xml:id': string; trace: string[] }[] };
		};
		expect(parsed.ink['@_xmlns']).to.equal('http://www.w3.org/2003/InkML');
		expect(parsed.ink.traceGroup.map((group) => [group['@_xml:id'], group.trace.length])).to.deep.equal([
			['shape-circle', 2],
			['shape-zed', 2]
		]);
	});

	it('are read from files of others: channels in another order, traces without groups, what is drawn with the pen up left out', () => {
		const [one, ...more] = readInk(
			'From tablet.inkml',
			ink(`<definitions><traceFormat xml:id="f"><channel name="T" type="integer"/><channel name="Y"/><channel name="X"/></traceFormat></definitions>
			<trace>0 10 1, 5 20 1, 9 20 30</trace><trace type="penUp">0 0 0, 1 1 1</trace>`)
		);
		expect(more).to.deep.equal([]);
		expect(one!.label).to.equal('From tablet');
		expect(one!.samples).to.deep.equal([[0, 0, 0, 10, 29, 10]]);
	});

	it('join traces that go on', () => {
		const [one] = readInk(
			'a.inkml',
			ink('<trace xml:id="t1" continuation="begin">0 0, 10 0</trace><trace continuation="end" priorRef="#t1">10 10, 0 10</trace>')
		);
		expect(one!.samples).to.deep.equal([[0, 0, 10, 0, 10, 10, 0, 10]]);
		expect(refused(ink('<trace continuation="end" priorRef="#t9">10 10, 0 10</trace>'))).to.include('does not come before it');
	});

	it('take the id of the shape that is called the same, and a free one otherwise', () => {
		const there = [shape('hook', { label: 'Haken' })];
		const found = [
			{ ...shape('zed'), label: 'Haken' },
			{ ...shape('zed'), label: 'hook' }
		];
		expect(inkAsShapes(found, there).map(({ id, label }) => [id, label])).to.deep.equal([
			['hook', 'Haken'],
			['hook-2', 'hook']
		]);
	});

	it('are refused as a whole, with the place', () => {
		expect(refused(ink('<trace>1 1</trace>'))).to.match(/^a\.inkml, line 1, column \d+: this trace has fewer than two points$/);
		expect(refused(ink('\n<trace>5 5, 5 5</trace>'))).to.match(/line 2, .*has no size/);
		expect(refused(ink('<trace>1 1, b 2</trace>'))).to.include('in this trace the point 2 has "b 2", which is no value');
		expect(refused(ink(''))).to.include('there is no trace');
		expect(refused('<svg/>')).to.include('InkML begins with <ink>');
		expect(refused('<ink>')).to.include('not XML');
		expect(refused(ink('<traceFormat><channel name="X"/></traceFormat><trace>1, 2</trace>'))).to.include('no channel Y');
		expect(refused(ink('<trace>0 0, 1 1</trace>'.repeat(13)))).to.include('at most 12 drawings');
	});

	it('may have very many points, and not more than can be read', () => {
		const many = (count: number) => Array.from({ length: count }, (_, i) => `${i % 977} ${i % 613}`).join(',');
		expect(readInk('a.inkml', ink(`<trace>${many(100_000)}</trace>`))[0]!.samples[0]).to.have.length(128);
		expect(refused(ink(`<trace>${many(1_000_001)}</trace>`))).to.include('more than 1000000 points');
	});
});
