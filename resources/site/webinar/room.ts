import { offerCard, pollCard, questionRows, tickOffer } from './cards';
import { leftWords } from '../left';
import { Played } from './played';
import { stageOf } from './stage';
import type { RoomData, RoomState } from './types';

/** One device of theirs, the same for all rooms; a private window is another one each time. */
function deviceId(): string {
    const make = (): string => [...crypto.getRandomValues(new Uint8Array(8))].map((b) => b.toString(16).padStart(2, '0')).join('');
    try {
        const known = localStorage.getItem('lantern_device');
        if (known && /^[0-9a-f]{16}$/.test(known)) {
            return known;
        }
        const fresh = make();
        localStorage.setItem('lantern_device', fresh);
        return fresh;
    } catch {
        return make();
    }
}

/** Milliseconds after which a report that does not arrive is given up; told again with the next one. */
const PATIENCE = 8000;

export function enter(root: HTMLElement): void {
    const data = JSON.parse(root.dataset.room ?? '{}') as RoomData;
    const part = <T extends HTMLElement>(name: string): T | null => root.querySelector<T>(`[data-${name}]`);
    const screen = part('screen');
    const cover = part('cover');
    const words = part('state');
    const join = part<HTMLButtonElement>('join');
    if (!screen || !cover || !words || !join) {
        return;
    }
    const stage = stageOf(screen, data);
    const played = new Played();
    const device = deviceId();
    let now: RoomState | null = null;
    /** When the last answer came, so that the clock goes on between answers. */
    let answered = performance.now();
    let ahead = 0;
    let joined = false;
    let failing = 0;
    let timer = 0;
    let offered = '';

    const second = (): number =>
        now === null ? 0 : Math.min(now.length, now.second + (now.state === 'on' ? (performance.now() - answered) / 1000 : 0));
    const ownPace = data.onDemand;
    const position = (): number => (ownPace ? (stage.position() ?? 0) : second());

    async function report(last = false): Promise<void> {
        clearTimeout(timer);
        const intervals = played.take();
        const body = JSON.stringify({ device, kind: data.kind, played: intervals });
        if (last) {
            navigator.sendBeacon(`${data.path}/report`, new Blob([body], { type: 'application/json' }));
            return;
        }
        try {
            const answer = await fetch(`${data.path}/report`, {
                method: 'POST',
                body,
                headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
                signal: AbortSignal.timeout(PATIENCE),
            });
            if (!answer.ok) {
                throw new Error(String(answer.status));
            }
            failing = 0;
            take((await answer.json()) as RoomState);
        } catch {
            // What was played is kept, and told again.
            played.back(intervals);
            failing += 1;
        }
        root.classList.toggle('is-offline', failing > 1);
        timer = window.setTimeout(() => void report(), 1000 * (failing > 0 ? Math.min(30, 2 + failing * 3) : soon()));
    }

    /** Seconds until it reports again: sooner where something is about to happen that goes by the clock. */
    function soon(): number {
        if (now === null) {
            return 5;
        }
        const ahead = [now.state === 'opening' ? now.beginsIn : 0, (now.offerAt ?? 0) - second(), now.length - second()]
            .filter((s) => s > 0 && (now!.state === 'opening' || !ownPace))
            .map((s) => s + 0.5);
        return Math.min(now.next, ...ahead);
    }

    function take(state: RoomState): void {
        const before = now?.state;
        now = { ...now, ...state };
        answered = performance.now();
        if (now.offer) {
            ahead = now.offer.now - Date.now();
        }
        if (joined && now.state === 'on') {
            stage.follow(second());
        }
        if (before !== now.state) {
            if (now.state !== 'on' && joined) {
                stage.leave();
                played.stop();
                joined = false;
            }
            join!.hidden = now.state !== 'on';
        }
        draw();
    }

    function draw(): void {
        if (!now || !words || !cover) {
            return;
        }
        cover.hidden = joined;
        const begins = Math.max(0, now.beginsIn - (performance.now() - answered) / 1000);
        const { say } = data;
        const state: Record<RoomState['state'], string> = {
            closed: say.closed.replace('{moment}', now.time),
            opening: begins > 0 ? say.begins.replace('{time}', leftWords(begins, data.language)) : say.soon,
            on: data.kind === 'replay' ? data.title : ownPace && now.second > 5 ? say.goOn : say.on,
            over: say.over,
            cancelled: say.cancelled,
            waiting: say.waiting,
            crowded: say.crowded,
        };
        if (words.textContent !== state[now.state]) {
            words.textContent = state[now.state];
        }
        const clock = part('clock');
        if (clock) {
            const at = Math.floor(position());
            const time = (s: number): string => `${Math.floor(s / 60)}:${String(s % 60).padStart(2, '0')}`;
            const on = now.state === 'on' && (joined || !ownPace);
            clock.textContent = on ? (data.live ? say.live : say.at).replace('{time}', time(at)).replace('{length}', time(now.length)) : '';
        }
        const here = part('here');
        if (here) {
            here.textContent = now.state === 'on' && data.kind === 'live' && !ownPace ? now.hereWords : '';
        }
        root.querySelectorAll<HTMLElement>('[data-sound],[data-full],[data-captions]').forEach((b) => {
            b.hidden = b.dataset.works === undefined || !joined;
        });
        drawOffer();
        drawPoll();
        const ask = part('ask');
        if (ask) {
            ask.hidden = now.state !== 'on' && now.state !== 'opening';
        }
        const list = part('questions');
        const written = JSON.stringify(now.questions);
        if (list && list.dataset.shown !== written) {
            list.dataset.shown = written;
            list.replaceChildren(...questionRows(now.questions, say, data.live));
        }
        if (now.state === 'over' && now.leads && !cover.querySelector('a')) {
            const onward = Object.assign(document.createElement('a'), { href: now.leads.url, className: 'button' });
            onward.textContent = now.leads.attended ? say.next : say.toReplay;
            cover.append(onward);
        }
    }

    function drawOffer(): void {
        const place = part('offer');
        if (!place || !now) {
            return;
        }
        // At one's own pace the card appears with the second it belongs to.
        const shows = now.offer !== null && (!ownPace || (now.offerAt !== null && position() >= now.offerAt));
        const key = shows ? JSON.stringify([now.offer!.name, now.offer!.price, now.offer!.url, now.offer!.until, now.offer!.over]) : '';
        if (key !== offered) {
            offered = key;
            place.replaceChildren(...(shows ? [offerCard(now.offer!, data.say, data.language, ahead)] : []));
        } else if (place.firstElementChild instanceof HTMLElement) {
            tickOffer(place.firstElementChild, data.say, data.language, ahead);
        }
    }

    function drawPoll(): void {
        const place = part('poll');
        const written = JSON.stringify(now?.poll ?? null);
        if (place && place.dataset.shown !== written) {
            place.dataset.shown = written;
            place.replaceChildren(
                ...(now?.poll ? [pollCard(now.poll, data.say, data.language, (choice) => void vote(now!.poll!.id, choice))] : []),
            );
        }
    }

    async function send(
        what: string,
        values: Record<string, unknown>,
    ): Promise<{ ok: boolean; data: Partial<RoomState> & { message?: string } }> {
        const answer = await fetch(`${data.path}/${what}`, {
            method: 'POST',
            body: JSON.stringify({ device, ...values }),
            headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
        });
        return { ok: answer.ok, data: (await answer.json()) as Partial<RoomState> & { message?: string } };
    }

    async function vote(poll: string, choice: number): Promise<void> {
        const { data: said } = await send('vote', { poll, choice });
        if (now && said.poll !== undefined) {
            now.poll = said.poll;
            draw();
        }
    }

    part<HTMLFormElement>('ask')?.addEventListener('submit', (event) => {
        event.preventDefault();
        const form = event.target as HTMLFormElement;
        const field = form.querySelector('textarea');
        const asked = part('asked');
        if (!field || !asked) {
            return;
        }
        asked.textContent = '';
        void send('ask', { question: field.value, second: Math.floor(position()) })
            .then(({ ok, data: said }) => {
                if (ok) {
                    field.value = '';
                    take(said as RoomState);
                }
                asked.textContent = ok ? data.say.sent : (said.message ?? data.say.lost);
            })
            .catch(() => {
                asked.textContent = data.say.offline;
            });
    });

    const go = (): void => {
        joined = true;
        stage.join(ownPace ? (now?.second ?? 0) : second()).then(
            () => draw(),
            () => {
                joined = false;
                draw();
            },
        );
        draw();
    };
    join.addEventListener('click', go);
    stage.video?.addEventListener('seeking', () => played.stop());
    stage.video?.addEventListener('pause', () => {
        played.stop();
        // A recording that is not to be paused goes on: a headset or a key of the keyboard may have stopped it.
        if (joined && !data.pauses && !stage.video!.ended) {
            stage.video!.play().catch(() => undefined);
        }
        void report();
    });
    stage.video?.addEventListener('ended', () => void report());
    root.querySelectorAll<HTMLElement>('[data-chapter]').forEach((chapter) =>
        chapter.addEventListener('click', () => {
            if (stage.video) {
                stage.video.currentTime = Number(chapter.dataset.chapter);
                if (!joined) {
                    joined = true;
                }
                void stage.video.play();
                draw();
            }
        }),
    );
    const toggle = (name: string, available: boolean, act: (button: HTMLElement) => void): void => {
        const button = part(name);
        if (button) {
            button.hidden = true;
            if (available) {
                button.dataset.works = '';
            }
            button.addEventListener('click', () => act(button));
        }
    };
    toggle('sound', stage.video !== null && !data.pauses, (button) => {
        stage.video!.muted = !stage.video!.muted;
        button.textContent = stage.video!.muted ? data.say.soundOn : data.say.soundOff;
    });
    toggle('full', stage.video !== null && !data.pauses, () => void stage.video!.requestFullscreen?.());
    toggle('captions', data.captions !== '', (button) => {
        const track = stage.video!.textTracks[0];
        if (track) {
            track.mode = track.mode === 'showing' ? 'hidden' : 'showing';
            button.setAttribute('aria-pressed', String(track.mode === 'showing'));
        }
    });
    setInterval(() => {
        if (joined && stage.isPlaying() && now?.state === 'on') {
            played.tell(stage.position() ?? second(), performance.now());
        } else {
            played.stop();
        }
        draw();
    }, 1000);
    addEventListener('pagehide', () => void report(true));
    addEventListener('online', () => void report());
    document.addEventListener('visibilitychange', () => {
        if (document.visibilityState === 'visible') {
            void report();
        }
    });
    void report();
}
