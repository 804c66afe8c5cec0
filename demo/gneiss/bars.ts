import type { CommandId } from '../../core/application/command.ts';
import type { Item, ItemId } from '../../core/chapters/bars/bar.ts';
import { insertItem, insertItems, lockItem, moveItem, takeOut } from '../../core/chapters/bars/writing.ts';
import { stratumById } from '../../core/strata/stratum.ts';
import { inTurn } from '../bars.ts';
import type { DemoEdit } from '../stand-in.ts';

/** The factory's bars of Gneiss Solid 5: a ribbon by what is being made, a row for files, one at the right for looking. */
export const bars = `
menu Menus
quick Files : file.save edit.undo edit.redo - edit.compute Send{file.export file.export-mesh file.pack}
ribbon Work
	tab Body
		group Grow : solid.extrude* solid.revolve* solid.sweep solid.loft solid.helix solid.rib solid.thicken solid.emboss Blocks{solid.box solid.cylinder solid.sphere}
		group Take : solid.extrude-cut* solid.hole* solid.revolve-cut solid.thread solid.shell solid.split
		group Edges : solid.fillet* solid.chamfer* solid.fillet-face solid.fillet-varying solid.unround
		group Faces : face.move face.offset face.draft face.rotate face.replace face.delete
		group Bodies : body.unite* body.subtract body.intersect body.move body.copy body.align
		group Repeat : body.pattern-line* body.pattern-round body.pattern-curve body.mirror
	tab Sketch
		group Begin : sketch.new* sketch.finish* sketch.edit sketch.project sketch.grid sketch.snap
		group Draw : sketch.line* sketch.circle* sketch.rectangle sketch.arc sketch.slot sketch.polygon sketch.spline sketch.point sketch.text
		group Change : sketch.trim* sketch.extend sketch.split sketch.offset sketch.fillet sketch.chamfer sketch.mirror sketch.move sketch.scale
		group Hold : con.dimension* con.auto con.coincide con.parallel con.square con.horizontal con.vertical con.tangent con.equal con.fix
	tab Sheet metal
		group Plate : sheet.base* sheet.flange* sheet.hem sheet.bend sheet.unbend sheet.relief
		group Openings : solid.hole sheet.louvre sheet.corner
		group For the shop : sheet.flatten* sheet.table sheet.export-flat
		group Skins : surface.extrude surface.loft surface.fill surface.trim surface.extend surface.join
	tab Cabin
		group Bring in : asm.insert* asm.new-part asm.replace asm.copy asm.edit-part asm.open-part
		group Place : asm.move* asm.rotate asm.ground asm.mirror asm.pattern-line asm.pattern-follow
		group Join : joint.coincide* joint.rigid joint.hinge joint.slide joint.distance joint.angle joint.limits joint.check
		group Cable : asm.cable-line* asm.bolt-set*
		group Look : asm.explode asm.unexplode asm.parts-list asm.variants
	tab Drawing
		group Views : draw.view* draw.projected draw.section* draw.detail draw.broken draw.auxiliary draw.update
		group Dimensions : dim.place* dim.chain dim.baseline dim.ordinate dim.angle dim.radius dim.tolerance dim.arrange
		group Notes : note.text* note.balloon note.balloon-auto note.weld note.surface note.hatch note.table note.parts-list
		group Sheets : sheet-page.new sheet-page.format sheet-page.title sheet-page.next sheet-page.previous note.revision note.revision-cloud
	tab Check
		group Measure : inspect.measure* inspect.mass* inspect.section-area inspect.geometry
		group Fit : inspect.interference* inspect.clearance inspect.compare inspect.where-used
		group Shape : inspect.draft inspect.curvature inspect.stripes inspect.thickness
toolbar Look @ right 0 24 none canvas : view.fit view.fit-selection view.zoom-box - view.normal view.front view.top view.corner - view.shaded-edges view.wire view.section - view.hide view.show-all
context Of a face @ top 0 16 beside face : sketch.new face.move face.offset face.draft - solid.hole solid.shell
context Of an edge @ top 0 16 beside edge : solid.fillet solid.chamfer solid.fillet-varying - select.tangent select.loop
context Of a body @ top 0 16 beside body : body.move body.copy body.material - view.hide inspect.mass
cursor At hand @ floating 4 24 none model Shift+Space : view.fit view.normal view.hide view.show-all inspect.measure edit.undo
cursor On a face @ floating 3 24 none face Ctrl+Shift+Space : face.move face.offset face.delete
context Of a component @ top 0 16 beside component : asm.open-part asm.replace asm.ground - joint.coincide view.hide
`;

const place = (command: string, size: 'large' | 'small' = 'small'): Item => ({
	kind: 'place',
	command: command as CommandId,
	size,
	shows: 'both',
	hidden: false
});
const at = (id: string) => id as ItemId;

/** The office adds a group for doors to the sheet metal, and keeps the place where all find Save. */
export const officeBars: DemoEdit['also'] = (profile, stratum) => {
	const doors = insertItem(profile, stratum, { kind: 'group', name: 'Cabin doors' }, at('work.sheet-metal'), 2);
	return inTurn(profile, [
		() => doors.changes,
		(now) => insertItems(now, stratum, [place('joint.check', 'large'), place('sheet.table'), place('joint.hinge')], doors.id),
		(now) => lockItem(stratumById(now, stratum), at('files.0'), true)
	]);
};

/** One designer pulls Shell to what is used most, and has no use for two views of the row at the right. */
export const personalBars: DemoEdit['also'] = (profile, stratum) =>
	inTurn(profile, [
		(now) => moveItem(now, stratum, at('work.body.take.4'), at('work.body.grow'), 2),
		(now) => takeOut(now, stratum, [at('look.6'), at('look.7')])
	]);
