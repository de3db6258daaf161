<?php

declare(strict_types=1);

namespace Lantern\Core\Page\Design;

use Lantern\Core\Page\Block\Block;
use Lantern\Core\Page\Block\BlockKind;
use Lantern\Core\Page\SectionKind;

/**
 * What a new block says until its owner says it better. Whatever only the owner can know stands in square brackets:
 * the page check keeps it from the public.
 */
final class DesignWords
{
    private const HEADINGS = [
        'opening' => '[What they will be able to do, in one line]',
        'words' => '[A heading for these words]',
        'learn' => 'What you will take away',
        'host' => '[Your name, and what you do]',
        'testimonials' => 'What people say',
        'fit' => 'Is this for you?',
        'agenda' => 'How it goes',
        'video' => 'See for yourself',
        'pictures' => 'A look inside',
        'action' => 'Shall we begin?',
        'form' => 'Tell me where to send it',
        'countdown' => 'The doors close soon',
        'price' => 'What it costs',
        'checkout' => 'Your order',
        'purchases' => 'It is yours',
        'bonuses' => 'This comes with it',
        'guarantee' => 'You risk nothing',
        'questions' => 'Questions people ask',
        'download' => 'It is ready for you',
        'popup' => 'Before you go',
        'exercise' => 'Your turn',
        'embed' => 'Find a time that suits you',
    ];

    private const TEXTS = [
        'opening' => '[One or two sentences: for whom it is, and what changes for them]',
        'host' => '[Three sentences: how you came to this, whom you help, what you believe about it]',
        'guarantee' => 'Try it for fourteen days. If it is not for you, write me one line and you get your money back, with no questions '
            .'asked.',
        'form' => 'It takes half a minute, and you can leave the list with one click.',
        'checkout' => 'Two fields and your card. You see the whole sum before you pay.',
        'purchases' => 'Here is what you bought. The receipt in your inbox opens it again whenever you like.',
        'footer' => '{{business}} · You can unsubscribe from any email with one click.',
        'download' => 'A copy is on its way to your inbox as well.',
        'action' => 'You have read this far. The first step is a small one.',
        'popup' => '[One sentence: what they get, and that it is free]',
        'exercise' => 'Take a minute. What you write stays here for you when you come back.',
        'questions' => 'Is yours not among them? Write to me, and I will answer.',
    ];

    private const EYEBROWS = ['host' => 'Your host', 'logos' => 'As heard and read in', 'opening' => 'Free for you'];

    /**
     * The id is a placeholder: whoever uses the block gives it one of its own.
     *
     * @param  array<string, string>  $parts  ids of the parts of the funnel that it shows, by their kind
     */
    public static function block(BlockKind $kind, SectionKind $in, array $parts = []): Block
    {
        return new Block('new', $kind, match ($kind) {
            BlockKind::Eyebrow => ['text' => self::EYEBROWS[$in->value] ?? '[A few words above the heading]'],
            BlockKind::Heading => ['text' => self::HEADINGS[$in->value] ?? '[A heading of its own]'],
            BlockKind::Text => ['html' => self::TEXTS[$in->value]
                ?? '[What you would say about it across a table, in two or three sentences]'],
            BlockKind::Bullets => ['html' => '<ul><li>[Something they can do afterwards]</li><li>[Something they will stop worrying '
                    .'about]</li><li>[Something that surprises them]</li></ul>'],
            BlockKind::Picture => ['alt' => ''],
            BlockKind::Cover => ['alt' => '', 'text' => '[The title of it]'],
            BlockKind::Video => ['text' => '[What the video shows]'],
            BlockKind::Form => ['form' => $parts['form'] ?? ''],
            BlockKind::Button => ['text' => 'Yes, show me', 'url' => ''],
            BlockKind::Share => ['text' => 'Do you know somebody who would like this too?',
                'message' => 'I thought of you when I saw this:'],
            BlockKind::Download => ['leadMagnet' => $parts['lead-magnet'] ?? '', 'text' => 'Download it now'],
            BlockKind::Fit => ['yes' => 'This is for you if',
                'html' => '<ul><li>[you want something]</li><li>[you have tried something else]</li></ul>',
                'no' => 'It is not for you if', 'notHtml' => '<ul><li>[you look for something else]</li></ul>'],
            BlockKind::Countdown => ['text' => 'Open until', 'until' => ''],
            BlockKind::Price => ['name' => '[What they get]', 'was' => '', 'price' => '[the price]',
                'note' => 'One payment, no subscription.',
                'html' => '<ul><li>[The main thing it holds]</li><li>[And what comes with it]</li></ul>', 'text' => 'I want this',
                'url' => ($parts['offer'] ?? '') === '' ? 'outcome:bought' : 'outcome:chose', 'offer' => $parts['offer'] ?? ''],
            BlockKind::Checkout => self::checkout($parts['offer'] ?? ''),
            BlockKind::Purchases => ['text' => 'Your purchases appear here.'],
            BlockKind::Reflection => ['text' => '[What should they ask themselves here?]'],
            BlockKind::Embed => ['url' => '', 'text' => '[What it shows, such as your calendar]'],
            BlockKind::Seal => ['text' => '14 days', 'note' => 'money back'],
            BlockKind::Logo => ['text' => '{{business}}'],
            BlockKind::Sessions => ['webinar' => $parts['webinar'] ?? '', 'text' => 'Choose your session'],
            BlockKind::Session => ['webinar' => $parts['webinar'] ?? '', 'text' => 'Your session'],
            BlockKind::Room => ['webinar' => $parts['webinar'] ?? '', 'text' => ''],
            BlockKind::Replay => ['webinar' => $parts['webinar'] ?? '', 'over' => 'The replay is over. It was open for a few days.'],
            default => [],
        }, self::items($kind, $in));
    }

    /** @return array<string, string> */
    public static function checkout(string $offer): array
    {
        return ['offer' => $offer, 'text' => 'Pay now',
            'html' => '<ul><li>You pay, and come straight to what you bought.</li><li>The receipt is in your inbox a few minutes '
                .'later.</li>'
                .'</ul>', 'note' => ''];
    }

    /** @return list<array<string, string>> */
    public static function items(BlockKind $kind, SectionKind $in): array
    {
        $point = fn (string $icon, string $title, string $value = ''): array => ['icon' => $icon, 'title' => $title,
            'html' => '[One sentence about it]', 'value' => $value];

        return match ($kind) {
            BlockKind::Points => $in === SectionKind::Bonuses
                ? [$point('gift', '[The first bonus]', '[its worth]'), $point('gift', '[The second bonus]', '[its worth]')]
                : [$point('lamp', '[The first thing]'), $point('path', '[The second thing]'), $point('spark', '[The third thing]')],
            BlockKind::Testimonials => array_map(fn (string $n): array => ['html' => "[What the {$n} person told you, in their own words]",
                'name' => '[Their name]', 'role' => ''],
                ['first', 'second', 'third']),
            BlockKind::Agenda => [['when' => '0:00', 'title' => '[How you begin]', 'html' => ''],
                ['when' => '0:10', 'title' => '[The heart of it]', 'html' => ''],
                ['when' => '0:40', 'title' => 'Your questions', 'html' => '']],
            BlockKind::Questions => [['title' => 'How much time does it take?', 'html' => '[Your honest answer]'],
                ['title' => 'What if I miss something?', 'html' => '[Your honest answer]'],
                ['title' => 'Is it for beginners?', 'html' => '[Your honest answer]']],
            BlockKind::Gallery => array_fill(0, 3, ['alt' => '', 'text' => '']),
            BlockKind::Logos => array_fill(0, 4, ['alt' => '']),
            BlockKind::Checklist => [['title' => '[The first thing to do]'], ['title' => '[The second thing]'],
                ['title' => '[The third thing]']],
            BlockKind::Menu => [['title' => 'About', 'url' => '']],
            default => [],
        };
    }

    /**
     * One more entry for a list.
     *
     * @return array<string, string>
     */
    public static function item(BlockKind $kind, SectionKind $in): array
    {
        return self::items($kind, $in)[0] ?? [];
    }
}
