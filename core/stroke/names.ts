/**
 * Names of keys in the languages in which lists are written, as they are engraved on national keyboards or spelled out in manuals there
 * (DIN 2137 and AFNOR NF Z71-300 for the layouts; the words themselves are common usage, no source lists them; the Unicode CLDR names no
 * keys). English names are in `codes.ts`.
 */

/** By the name in lower case, the modifier. */
export const MODIFIER_NAMES = {
	// German
	strg: 'Ctrl',
	steuerung: 'Ctrl',
	umschalt: 'Shift',
	umsch: 'Shift',
	umschalttaste: 'Shift',
	befehl: 'Meta',
	// French
	maj: 'Shift',
	majuscule: 'Shift',
	commande: 'Meta',
	// Italian
	maiusc: 'Shift',
	maius: 'Shift',
	comando: 'Meta',
	// Spanish
	mayús: 'Shift',
	mayus: 'Shift',
	mayúsculas: 'Shift',
	// on any
	opt: 'Alt',
	windows: 'Meta'
} as const satisfies Readonly<Record<string, 'Ctrl' | 'Alt' | 'Shift' | 'Meta'>>;

/** By the name in lower case, the W3C `code`. */
export const NATIONAL_NAMES: Readonly<Record<string, string>> = {
	// German
	entf: 'Delete',
	entfernen: 'Delete',
	einfg: 'Insert',
	einfügen: 'Insert',
	pos1: 'Home',
	ende: 'End',
	'bild auf': 'PageUp',
	'bild ab': 'PageDown',
	'bild↑': 'PageUp',
	'bild↓': 'PageDown',
	'bild hoch': 'PageUp',
	'bild runter': 'PageDown',
	leertaste: 'Space',
	leer: 'Space',
	eingabe: 'Enter',
	eingabetaste: 'Enter',
	rücktaste: 'Backspace',
	rück: 'Backspace',
	tabulator: 'Tab',
	druck: 'PrintScreen',
	rollen: 'ScrollLock',
	'pfeil auf': 'ArrowUp',
	'pfeil nach oben': 'ArrowUp',
	'pfeil ab': 'ArrowDown',
	'pfeil nach unten': 'ArrowDown',
	'pfeil links': 'ArrowLeft',
	'pfeil nach links': 'ArrowLeft',
	'pfeil rechts': 'ArrowRight',
	'pfeil nach rechts': 'ArrowRight',
	// French
	suppr: 'Delete',
	supprimer: 'Delete',
	inser: 'Insert',
	insér: 'Insert',
	début: 'Home',
	origine: 'Home',
	'page préc': 'PageUp',
	'page préc.': 'PageUp',
	'page précédente': 'PageUp',
	'pg préc': 'PageUp',
	'page suiv': 'PageDown',
	'page suiv.': 'PageDown',
	'page suivante': 'PageDown',
	'pg suiv': 'PageDown',
	espace: 'Space',
	'barre d’espace': 'Space',
	"barre d'espace": 'Space',
	entrée: 'Enter',
	'retour arrière': 'Backspace',
	échap: 'Escape',
	echap: 'Escape',
	tabulation: 'Tab',
	impr: 'PrintScreen',
	'impr écran': 'PrintScreen',
	'arrêt défil': 'ScrollLock',
	'flèche haut': 'ArrowUp',
	'flèche vers le haut': 'ArrowUp',
	'flèche bas': 'ArrowDown',
	'flèche vers le bas': 'ArrowDown',
	'flèche gauche': 'ArrowLeft',
	'flèche droite': 'ArrowRight',
	// French and Spanish
	fin: 'End',
	// Italian
	canc: 'Delete',
	inizio: 'Home',
	fine: 'End',
	'pag su': 'PageUp',
	'pag↑': 'PageUp',
	'pag giù': 'PageDown',
	'pag↓': 'PageDown',
	spazio: 'Space',
	'barra spaziatrice': 'Space',
	invio: 'Enter',
	stamp: 'PrintScreen',
	'bloc scorr': 'ScrollLock',
	'freccia su': 'ArrowUp',
	'freccia giù': 'ArrowDown',
	'freccia sinistra': 'ArrowLeft',
	'freccia destra': 'ArrowRight',
	// Spanish
	supr: 'Delete',
	suprimir: 'Delete',
	inicio: 'Home',
	repág: 'PageUp',
	repag: 'PageUp',
	're pág': 'PageUp',
	'retroceder página': 'PageUp',
	avpág: 'PageDown',
	avpag: 'PageDown',
	'av pág': 'PageDown',
	'avanzar página': 'PageDown',
	espacio: 'Space',
	'barra espaciadora': 'Space',
	intro: 'Enter',
	retroceso: 'Backspace',
	'impr pant': 'PrintScreen',
	'bloq despl': 'ScrollLock',
	'flecha arriba': 'ArrowUp',
	'flecha abajo': 'ArrowDown',
	'flecha izquierda': 'ArrowLeft',
	'flecha derecha': 'ArrowRight'
};

const SPACED = Object.keys(NATIONAL_NAMES)
	.filter((name) => name.includes(' '))
	.sort((a, b) => b.length - a.length);
const SPACED_NAMES = new RegExp(
	`(?<![\\p{L}\\p{N}])(?:${SPACED.map((name) => name.replaceAll('.', '\\.')).join('|')})(?![\\p{L}\\p{N}])`,
	'giu'
);

/** The text with names of several words, which would read as several strokes, as codes. */
export const withoutSpacedNames = (text: string): string =>
	text.includes(' ') ? text.replace(SPACED_NAMES, (name) => NATIONAL_NAMES[name.toLowerCase()]!) : text;
