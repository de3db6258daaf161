/**
 * Answers may overtake one another. `ask` gives the answer to the newest question, and null for one that has been
 * followed by another meanwhile, whose answer is then the one to show.
 */
export function newest<T>(): (question: Promise<T>) => Promise<T | null> {
    let asked = 0;
    return async (question) => {
        const mine = ++asked;
        try {
            const answer = await question;
            return mine === asked ? answer : null;
        } catch (error) {
            if (mine === asked) {
                throw error;
            }
            return null;
        }
    };
}
