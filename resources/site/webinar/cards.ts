import { leftWords } from '../left';
import type { RoomData, RoomOffer, RoomPoll, RoomState } from './types';

type Say = RoomData['say'];

function make<K extends keyof HTMLElementTagNameMap>(tag: K, words = '', name = ''): HTMLElementTagNameMap[K] {
    const element = document.createElement(tag);
    element.textContent = words;
    element.className = name;
    return element;
}

/** The offer with what its deadline leaves; drawn once, and told anew each second. */
export function offerCard(offer: RoomOffer, say: Say, language: string, ahead: number): HTMLElement {
    const card = make('section', '', 'offer-card');
    card.append(make('h2', offer.name), make('p', offer.price, 'offer-price'));
    const left = make('p', '', 'offer-left');
    const link = make('a', offer.over ? say.offerOver : say.offer, 'button');
    link.href = offer.url;
    link.target = '_blank';
    link.rel = 'noopener';
    card.append(left, link);
    card.dataset.until = offer.until === null ? '' : String(offer.until);
    tickOffer(card, say, language, ahead);
    return card;
}

export function tickOffer(card: HTMLElement, say: Say, language: string, ahead: number): void {
    const left = card.querySelector('.offer-left');
    if (left && card.dataset.until) {
        const seconds = Number(card.dataset.until) - (Date.now() + ahead) / 1000;
        left.textContent = seconds > 0 ? say.priceLeft.replace('{time}', leftWords(seconds, language)) : say.priceOver;
    }
}

export function pollCard(poll: RoomPoll, say: Say, language: string, vote: (choice: number) => void): HTMLElement {
    const card = make('section', '', 'poll-card');
    card.append(make('h2', poll.question));
    const total = poll.counts?.reduce((a, b) => a + b, 0) ?? 0;
    poll.options.forEach((option, i) => {
        if (poll.mine === null && !poll.closed) {
            const button = make('button', option, 'button quiet');
            button.type = 'button';
            button.addEventListener('click', () => vote(i));
            card.append(button);
            return;
        }
        const share = total === 0 ? 0 : Math.round(((poll.counts?.[i] ?? 0) * 100) / total);
        const row = make('p', `${option}: ${(share / 100).toLocaleString(language, { style: 'percent' })}`, 'poll-row');
        row.style.setProperty('--share', `${share}%`);
        if (poll.mine === i) {
            row.append(make('small', ` ${say.mine}`));
        }
        card.append(row);
    });
    return card;
}

export function questionRows(questions: RoomState['questions'], say: Say, live: boolean): HTMLElement[] {
    return questions.map((q) => {
        const row = make('li');
        row.append(make('p', q.words, 'question-words'));
        if (q.answer) {
            row.append(make('p', q.answer, 'question-answer'));
        } else {
            row.append(make('small', q.state === 'aired' ? say.answered : live ? say.withHost : say.toHost));
        }
        return row;
    });
}
