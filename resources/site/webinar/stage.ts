import type { RoomData } from './types';

/** What is seen in the room: a recording, the host's stream in a frame, or a link to it. */
export interface Stage {
    /** The second of what is played; null where only the room's clock can tell. */
    position: () => number | null;
    isPlaying: () => boolean;
    /** Goes to where the session is, if it is somewhere else. */
    follow: (second: number) => void;
    join: (second: number) => Promise<void>;
    leave: () => void;
    video: HTMLVideoElement | null;
}

/** Seconds that a recording may be away from the session's clock before it is put right. */
const DRIFT = 2.5;

export function stageOf(screen: HTMLElement, data: RoomData): Stage {
    if (data.video !== '') {
        return recording(screen, data);
    }
    let joined = false;
    const show = (): void => {
        if (data.embed === '') {
            const shown = document.createElement(data.stream === '' ? 'p' : 'a');
            shown.textContent = data.stream === '' ? data.say.noStream : data.say.stream;
            if (shown instanceof HTMLAnchorElement) {
                Object.assign(shown, { href: data.stream, rel: 'noopener', target: '_blank', className: 'button' });
            }
            screen.replaceChildren(shown);
            return;
        }
        const frame = document.createElement('iframe');
        frame.src = data.embed;
        frame.title = data.title;
        frame.allow = 'autoplay; fullscreen; picture-in-picture';
        frame.referrerPolicy = 'strict-origin-when-cross-origin';
        screen.replaceChildren(frame);
    };
    return {
        position: () => null,
        isPlaying: () => joined,
        follow: () => undefined,
        join: () => {
            joined = true;
            show();
            return Promise.resolve();
        },
        leave: () => {
            joined = false;
            screen.replaceChildren();
        },
        video: null,
    };
}

function recording(screen: HTMLElement, data: RoomData): Stage {
    const video = document.createElement('video');
    video.playsInline = true;
    video.preload = 'metadata';
    video.setAttribute('aria-label', data.title);
    video.controls = data.pauses;
    // A recording that goes by the session's clock is not to be wound, nor taken away.
    video.disablePictureInPicture = !data.pauses;
    const source = Object.assign(document.createElement('source'), { src: data.video, type: data.type });
    video.append(source);
    if (data.captions !== '') {
        const track = Object.assign(document.createElement('track'), {
            kind: 'captions',
            src: data.captions,
            srclang: data.language,
            label: data.say.captions,
        });
        video.append(track);
    }
    screen.replaceChildren(video);
    if (!data.pauses) {
        video.addEventListener('contextmenu', (e) => e.preventDefault());
    }
    return {
        position: () => video.currentTime,
        isPlaying: () => !video.paused && !video.ended && video.readyState > 2,
        follow: (second) => {
            if (!data.onDemand && !video.paused && Math.abs(video.currentTime - second) > DRIFT) {
                video.currentTime = second;
            }
        },
        join: async (second) => {
            if (Math.abs(video.currentTime - second) > DRIFT) {
                video.currentTime = second;
            }
            await video.play();
        },
        leave: () => video.pause(),
        video,
    };
}
