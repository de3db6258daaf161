<?php

declare(strict_types=1);

namespace Tests\Core\Sending;

use DateTimeZone;
use Lantern\Core\People\State\PersonState;
use Lantern\Core\Sending\EmailReader;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** An email that is told from a session asks what became of its reader in that one, whoever decides about it. */
final class EmailReaderTest extends TestCase
{
    /** Where it is decided who gets an email, or which parts of it; what is kept of that for the rehearsal's mailbox is read there. */
    private const DOORS = ['app/Mail/Emails/EmailWriter.php', 'core/Rehearsal/Passing.php', 'core/Sending/SequenceCheck.php'];

    private const READS = ['core/Rehearsal/Mail.php', 'core/Emails/EmailBody.php'];

    private static function person(): PersonState
    {
        return new PersonState(new DateTimeZone('UTC'), new DateTimeZone('UTC'), webinars: ['w' => ['left-early', 'missed'],
            'other' => ['attended']]);
    }

    public function test_only_of_the_webinar_it_is_told_from_and_only_where_they_have_a_session(): void
    {
        $in = fn (?string $webinar, ?array $became): array => [EmailReader::of(self::person(), $webinar, $became)->inWebinar('w'),
            EmailReader::of(self::person(), $webinar, $became)->inWebinar('other')];

        self::assertSame([['missed'], ['attended']], $in('w', ['missed']));
        self::assertSame([[], ['attended']], $in('w', []));
        self::assertSame([['left-early', 'missed'], ['attended']], $in('w', null), 'who has none is asked about any');
        self::assertSame([['left-early', 'missed'], ['attended']], $in(null, ['missed']), 'told from no session');
    }

    public function test_whatever_decides_about_the_reader_of_an_email_goes_this_way(): void
    {
        $root = dirname(__DIR__, 3);
        $found = [];
        foreach (Finder::create()->files()->in(["{$root}/app", "{$root}/core"])->name('*.php') as $file) {
            if (preg_match('/forReader\\(|email->only->holds\\(|EmailReader::of\\(/', $file->getContents()) === 1) {
                $found[] = substr($file->getPathname(), strlen($root) + 1);
            }
        }
        sort($found);
        $known = [...self::DOORS, ...self::READS];
        sort($known);
        self::assertSame($known, $found);
        foreach (self::DOORS as $door) {
            self::assertStringContainsString('EmailReader::of(', (string) file_get_contents("{$root}/{$door}"));
        }
    }
}
