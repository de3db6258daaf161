<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

use Lantern\Core\Page\Arrangement;
use Lantern\Core\Page\Block;
use Lantern\Core\Page\BlockKind;
use Lantern\Core\Page\Document;
use Lantern\Core\Page\Section;
use Lantern\Core\Page\SectionKind;

/**
 * The pages of the starters.
 *
 * @phpstan-import-type Words from StarterWords
 */
final class StarterPages
{
    /**
     * @param  Words  $words
     * @param  callable(): string  $id
     */
    public static function optIn(array $words, FormPlan $form, ?LeadMagnet $leadMagnet, callable $id): Document
    {
        $blocks = [
            new Block($id(), BlockKind::Heading, ['text' => $words['headline']]),
            new Block($id(), BlockKind::Text, ['html' => $words['lead']]),
            new Block($id(), BlockKind::Form, ['form' => $form->id]),
        ];
        if ($leadMagnet !== null) {
            $blocks[] = new Block($id(), BlockKind::Cover, ['text' => $leadMagnet->title, 'alt' => '']);
        }

        return new Document([
            new Section($id(), SectionKind::Opening, $leadMagnet === null ? Arrangement::Centred : Arrangement::SplitRight, $blocks),
            self::footer($words, $id),
        ]);
    }

    /**
     * @param  Words  $words
     * @param  callable(): string  $id
     */
    public static function thankYou(array $words, ?LeadMagnet $leadMagnet, callable $id): Document
    {
        $blocks = [
            new Block($id(), BlockKind::Heading, ['text' => $words['thanks']]),
            new Block($id(), BlockKind::Text, ['html' => $words['next']]),
        ];
        if ($leadMagnet !== null) {
            $blocks[] = new Block($id(), BlockKind::Download, ['leadMagnet' => $leadMagnet->id, 'text' => 'Download it now']);
        }

        return new Document([
            new Section($id(), SectionKind::Opening, Arrangement::Boxed, $blocks),
            self::footer($words, $id),
        ]);
    }

    /**
     * @param  Words  $words
     * @param  callable(): string  $id
     */
    private static function footer(array $words, callable $id): Section
    {
        return new Section($id(), SectionKind::Footer, Arrangement::Centred, [
            new Block($id(), BlockKind::Text, ['html' => $words['footer']]),
        ]);
    }
}
