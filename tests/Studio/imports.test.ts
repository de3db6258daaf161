import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, normalize } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROOT = 'resources/studio';
const isFile = (path: string) => statSync(path, { throwIfNoEntry: false })?.isFile() ?? false;
const files = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((f) => (f.isDirectory() ? files(join(folder, f.name)) : [join(folder, f.name)]));

/** What is imported at once; what is loaded when it is needed may lead back. */
function importsOf(file: string): string[] {
    return [...readFileSync(file, 'utf8').matchAll(/^import [^;]*?from '([^']+)';/gm)].flatMap(([, name]) => {
        const path = name!.startsWith('@/')
            ? `${ROOT}/${name!.slice(2)}`
            : name!.startsWith('.')
              ? normalize(join(dirname(file), name!))
              : '';
        return path === '' ? [] : [path, `${path}.ts`, `${path}.vue`].filter(isFile).slice(0, 1);
    });
}

describe('the files of the Studio', () => {
    it('never import each other in a circle, types included', () => {
        const graph = new Map(
            files(ROOT)
                .filter((f) => /\.(ts|vue)$/.test(f))
                .map((f) => [f, importsOf(f)]),
        );
        expect(graph.size).toBeGreaterThan(150);
        const circles: string[] = [];
        for (const start of graph.keys()) {
            const seen = new Set<string>();
            const left = [...graph.get(start)!];
            for (let next = left.pop(); next !== undefined; next = left.pop()) {
                if (!seen.has(next)) {
                    seen.add(next);
                    left.push(...(graph.get(next) ?? []));
                }
            }
            if (seen.has(start)) {
                circles.push(start);
            }
        }
        expect(circles).toEqual([]);
    });
});
