import { eatFresh, haulOf, usualWishes } from '$core/haul/from-ways';
import type { Haul } from '$core/haul/haul';
import type { AllOfIt, Offer, Room } from '$core/haul/before';
import { offerIn } from '$lib/haul/offer-in';
import type { LotOfHaul } from '$core/haul/from-ways';
import type { BeforeHaul } from '../../../workers/haul-work';
import type { Running } from '../forecast/in-worker';
import type { HaulView } from './view';

export type AskBefore = (haul: Haul, offer: Offer, onFound: (found: BeforeHaul) => void) => Running<BeforeHaul>;

/** A part of what is offered: so much of it goes this way. */
export interface OfferPart {
	readonly slug: string;
	readonly name: string;
	readonly kg: number;
	readonly packs: number;
	readonly each: 'pack' | 'jar' | null;
}

/** What is asked about, beside the haul as it stands; nothing where the line says nothing. */
export interface OfferAsked {
	readonly haul: HaulView | null;
	readonly lot: LotOfHaul | null;
}

/** An offer worked out against the haul as it stands: what can be taken on, and what all of it would push out. */
export class OfferPage {
	readonly #view: () => OfferAsked;
	readonly #now: () => number;
	readonly #ask: AskBefore;
	#running: Running<unknown> | undefined;
	days = $state(3);
	phase = $state<'idle' | 'working' | 'done' | 'failed'>('idle');
	why = $state('');
	found = $state.raw<BeforeHaul | null>(null);
	offer = $state.raw<Offer | null>(null);

	constructor(view: () => OfferAsked, now: () => number, ask: AskBefore) {
		this.#view = view;
		this.#now = now;
		this.#ask = ask;
	}

	async work(): Promise<void> {
		this.end();
		const { haul: view, lot } = this.#view();
		this.found = null;
		this.offer = null;
		if (!lot || !view) return;
		const { kitchen, rooms, lots } = view;
		const at = { kitchen, rooms, days: this.days, now: this.#now() };
		const haul = haulOf({ ...at, lots, wishes: usualWishes, locks: [] });
		const offer = offerIn({ ...at, lot });
		if (!offer) return;
		this.offer = offer;
		this.phase = 'working';
		this.why = '';
		const running = this.#ask(haul, offer, (found) => {
			if (this.#running === running) this.found = found;
		});
		this.#running = running;
		try {
			const found = await running.done;
			if (this.#running !== running) return;
			this.found = found;
			this.phase = 'done';
		} catch (thrown) {
			if (this.#running !== running) return;
			this.why = thrown instanceof Error ? thrown.message : String(thrown);
			this.phase = 'failed';
		}
	}
	end(): void {
		this.#running?.stop();
		this.#running = undefined;
	}
	within(days: number): void {
		this.days = days;
		void this.work();
	}

	/** What fits at no loss, and at a fiftieth where that is more. */
	readonly room = $derived<Room | null>(this.found?.room ?? null);
	readonly nearly = $derived<Room | null>(
		this.found?.nearly && this.found.room && this.found.nearly.kg > this.found.room.kg + 0.05 ? this.found.nearly : null
	);
	readonly all = $derived<AllOfIt | null>(this.found?.all ?? null);
	/** Where what fits would go. */
	readonly parts = $derived.by((): readonly OfferPart[] => {
		const { lot } = this.#view();
		const { room } = this;
		if (!lot || !room) return [];
		return [...lot.ways, null].flatMap((way): OfferPart[] => {
			const slug = way?.slug ?? eatFresh;
			const id = `${lot.id}|${slug}`;
			const kg = room.shared.parts.filter((p) => p.way === id).reduce((sum, p) => sum + p.kg, 0);
			if (kg < 0.01) return [];
			const packs = way ? (room.shared.packs[id] ?? 0) : 0;
			return [{ slug, name: way?.name ?? 'eat fresh', kg, packs, each: way?.way.each ?? null }];
		});
	});
}
