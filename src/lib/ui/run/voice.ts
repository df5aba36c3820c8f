/** What is kept on this device: whether it speaks. Off until somebody switches it on. */
const kept = 'root-jar-voice';

export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined';

export function speaks(): boolean {
	try {
		return canSpeak() && localStorage.getItem(kept) === 'on';
	} catch {
		// A browser that keeps nothing stays silent.
		return false;
	}
}

export function setSpeaks(on: boolean): void {
	try {
		localStorage.setItem(kept, on ? 'on' : 'off');
	} catch {
		// It holds for this page then.
	}
	if (!on && canSpeak()) speechSynthesis.cancel();
}

/** Says it with the browser's own voice; what was being said is cut short by what matters now. */
export function speak(words: string): void {
	if (!canSpeak()) return;
	speechSynthesis.cancel();
	const said = new SpeechSynthesisUtterance(words);
	said.lang = 'en';
	speechSynthesis.speak(said);
}
