import { expect } from 'chai';
import { hear, type KeyPress } from '../../../../core/stroke/hear.ts';
import { strokeText } from '../../../../core/stroke/stroke.ts';

const press = (code: string, key: string, held: Partial<KeyPress> = {}): KeyPress => ({
	code,
	key,
	ctrlKey: false,
	altKey: false,
	shiftKey: false,
	metaKey: false,
	capsLock: false,
	altGraph: false,
	...held
});
const text = (p: KeyPress, match: 'position' | 'character' = 'character') => {
	const { stroke } = hear(p, match);
	return stroke && strokeText(stroke);
};

describe('hearing a key press', () => {
	it('takes the character or the position, as the application matches', () => {
		expect(text(press('KeyY', 'z'))).to.equal('Z');
		expect(text(press('KeyY', 'z'), 'position')).to.equal('KeyY');
		expect(text(press('KeyF', 'F', { shiftKey: true, ctrlKey: true }))).to.equal('Ctrl+Shift+F');
	});

	it('does not take Caps Lock for Shift, and says so', () => {
		const heard = hear(press('KeyF', 'F', { capsLock: true }), 'character');
		expect(strokeText(heard.stroke!)).to.equal('F');
		expect(heard.notes[0]).to.include('Caps Lock is on').and.include('without Shift');
		expect(text(press('KeyF', 'f', { capsLock: true, shiftKey: true }))).to.equal('Shift+F');
	});

	it('does not take a modifier alone', () => {
		const heard = hear(press('ControlLeft', 'Control', { ctrlKey: true }), 'character');
		expect(heard.stroke).to.equal(undefined);
		expect(heard.heldModifiers).to.deep.equal(['Ctrl']);
		expect(heard.notes[0]).to.include('A modifier alone');
	});

	it('counts Shift into the character where it makes one', () => {
		expect(text(press('Digit1', '!', { shiftKey: true }))).to.equal('!');
		expect(text(press('Digit1', '!', { shiftKey: true }), 'position')).to.equal('Shift+Digit1');
	});

	it('names keys by name and keeps their modifiers', () => {
		expect(text(press('Escape', 'Escape'))).to.equal('Escape');
		expect(text(press('Tab', 'Tab', { shiftKey: true }))).to.equal('Shift+Tab');
		expect(text(press('Space', ' ', { ctrlKey: true }))).to.equal('Ctrl+Space');
	});

	it('explains dead keys, AltGr and Alt that changes the character', () => {
		expect(hear(press('Equal', 'Dead'), 'character').notes[0]).to.include('dead key');
		expect(text(press('KeyQ', '@', { ctrlKey: true, altKey: true, altGraph: true }))).to.equal('@');
		expect(text(press('KeyA', 'å', { altKey: true, isMac: true }))).to.equal('Alt+A');
	});
});
