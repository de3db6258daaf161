<?php

declare(strict_types=1);

namespace Tests\Core\Deadlines;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** How a deadline stands for somebody is asked of `Runs` alone: whoever read the table by themselves once said something else. */
final class OneAnswerTest extends TestCase
{
    /** Those outside of the deadlines' own room that read the table, and why they may. */
    private const READ = [
        'app/Front/FrontFacts.php' => 'asks HeldRun as Runs does, without the framework; compared by BothWays',
        'app/Mail/Sending/EmailTurns.php' => 'counts how many times one has begun',
        'app/People/Privacy/DeadlineHistory.php' => 'tells what has ended, whatever holds now',
        'app/People/Privacy/PersonTables.php' => 'merges, erases and packs',
        'app/People/Segments/Rules/DeadlineRule.php' => 'says the same in SQL, compared in KindChangeTest',
    ];

    public function test_nobody_else_reads_the_table_of_runs(): void
    {
        $root = dirname(__DIR__, 3);
        $found = [];
        foreach ((new Finder)->files()->in("{$root}/app")->notPath('#^(Deadlines/|Records/Runs)#')->contains('deadline_runs') as $file) {
            $found[] = "app/{$file->getRelativePathname()}";
        }
        sort($found);
        self::assertSame(array_keys(self::READ), $found);
    }
}
