<?php

declare(strict_types=1);

namespace Tests\Core;

use PhpParser\Node;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor\NameResolver;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Which classes each file names, however it names them: by import, relative to its namespace, or whole. */
final class UsedClasses
{
    /** @var array<string, array<string, list<string>>> by folder */
    private static array $known = [];

    /** @return array<string, list<string>> by the path of the file within the folder */
    public static function in(string $folder): array
    {
        return self::$known[$folder] ??= array_map(self::of(...), self::files($folder));
    }

    /** @return array<string, string> the code of each file, by its path within the folder */
    public static function files(string $folder): array
    {
        $root = dirname(__DIR__, 2)."/{$folder}";
        $files = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            assert($file instanceof SplFileInfo);
            if ($file->getExtension() === 'php') {
                $files[substr($file->getPathname(), strlen($root) + 1)] = (string) file_get_contents($file->getPathname());
            }
        }
        ksort($files);

        return $files;
    }

    /** @return list<string> */
    public static function of(string $php): array
    {
        $found = new class extends NodeVisitorAbstract
        {
            /** @var array<string, true> */
            public array $names = [];

            public function enterNode(Node $node): null
            {
                // Functions and constants have names, too, and are no classes.
                if ($node instanceof Node\Expr\FuncCall || $node instanceof Node\Expr\ConstFetch) {
                    $node->name instanceof Node\Name && $node->name->setAttribute('other', true);
                }
                if ($node instanceof Node\Name\FullyQualified && $node->getAttribute('other') !== true) {
                    $this->names[$node->toString()] = true;
                }
                if ($node instanceof Node\UseItem) {
                    $this->names[$node->name->toString()] = true;
                }

                return null;
            }
        };
        $traverser = new NodeTraverser(new NameResolver, $found);
        $traverser->traverse((new ParserFactory)->createForNewestSupportedVersion()->parse($php) ?? []);
        $names = array_keys($found->names);
        sort($names);

        return $names;
    }
}
