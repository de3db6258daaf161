/** What opened a pop-up, in a table. */
export const TRIGGERS: Record<string, string> = {
    leaving: 'About to leave',
    seconds: 'After some seconds',
    depth: 'Scrolled down',
    section: 'At a section',
    click: 'By a click',
    idle: 'Without a movement',
};
