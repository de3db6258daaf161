import { followersOf } from '@/funnel/desk/deadline/followers';
import { describe, expect, it } from 'vitest';
import { email, funnel, page, sequence, webinarFunnel } from './timeline/funnel';

const names = (f: Parameters<typeof followersOf>[0], id: string) =>
    Object.fromEntries(Object.entries(followersOf(f, id)).map(([k, list]) => [k, (list as { id: string }[]).map((x) => x.id).join(' ')]));

describe('what follows a deadline', () => {
    it('are the emails that go out by it, in their order', () => {
        expect(names(webinarFunnel(), 'd')).toEqual({ emails: 'day-left hours-left over', saying: '', pages: '', sequences: '' });
        expect(names(webinarFunnel(), 'another')).toEqual({ emails: '', saying: '', pages: '', sequences: '' });
    });
    it('and whatever says or shows its end, or waits for it', () => {
        const says = (id: string, body: string, subject = '') => ({ ...email(id, 's', { from: 'joining' }), body, subject });
        const f = funnel({
            pages: [
                page('with', 'sales', [{ id: 'c', kind: 'countdown', deadline: 'd' }]),
                page('other', 'sales', [{ id: 'c', kind: 'countdown', deadline: 'x' }]),
            ],
            sequences: [
                sequence('late', { kind: 'deadline-over', deadline: 'd' }),
                sequence('s'),
                { ...sequence('ended'), ends: [{ kind: 'deadline-over', deadline: 'd' }] },
            ],
            emails: [
                says('words', '<p>Until {{deadline_d}}</p>'),
                says('subject', '', 'Only {{deadline_left_d|a little}} left'),
                says('picture', '<img src="countdown:d" alt="">'),
                says('none', '<p>{{deadline_dd}} is another one</p>'),
                { ...email('end', 's', { from: 'deadline', deadline: 'd', edge: 'end' }), subject: '{{deadline_d}}' },
                email('start', 's', { from: 'deadline', deadline: 'd', edge: 'start', minutes: 10 }),
            ],
        });
        expect(names(f, 'd')).toEqual({ emails: 'start end', saying: 'words subject picture', pages: 'with', sequences: 'late ended' });
    });
});
