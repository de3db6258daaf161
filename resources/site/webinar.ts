import { follow } from './webinar/left';
import { pick } from './webinar/sessions';

pick(document);
document.querySelectorAll<HTMLElement>('.session-left[data-until]').forEach(follow);
const rooms = [...document.querySelectorAll<HTMLElement>('[data-room]')];
if (rooms.length > 0) {
    void import('./webinar/room').then(({ enter }) => rooms.forEach(enter));
}
