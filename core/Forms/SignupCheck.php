<?php

declare(strict_types=1);

namespace Lantern\Core\Forms;

use Lantern\Core\People\TypedAddress;

/** What a filled-in form means, and what of it is taken over: for forms on pages, in pop-ups and on other sites alike. */
final class SignupCheck
{
    /**
     * Whoever has left comes back only by confirming that it is them, whatever the form asks for. Words under a button are agreed to
     * by pressing it; words beside a box by ticking it.
     */
    public static function of(FormPlan $form, Answers $answers, SignupFacts $facts): SignupMeaning
    {
        return new SignupMeaning($form->doubleOptIn || $facts->hasLeft, TypedAddress::isTheirs($facts->isKnown, $facts->isProven),
            $form->consent !== '' && ($answers->consented || ! $form->consentRequired), $form->marketing === '' ? null
                : $answers->marketing);
    }

    /**
     * Does somebody agree to more than what they ask for, once the form counts? What was agreed to once is not taken back by a box that
     * was left empty; a consent that the form asks for and has no box beside it is that.
     *
     * @param  bool|null  $said  what the box of its own said; null where there is none
     * @param  bool  $agreed  did they agree before?
     * @param  bool  $isNew  was nothing known of them before this form?
     * @param  bool  $isPending  have they never joined otherwise, and wait to confirm their address?
     */
    public static function marketing(FormPlan $form, ?bool $said, bool $agreed, bool $isNew, bool $isPending, bool $theirs): bool
    {
        return match (true) {
            ! $theirs && ! $isPending => $agreed,
            $said !== null => $said || ($agreed && ! $isNew && ! $isPending),
            $form->consent !== '' => true,
            default => $agreed,
        };
    }

    /**
     * Is an answer taken over as what is known of its person?
     *
     * @param  string  $known  what is known already; '' for nothing
     */
    public static function takesOver(string $answer, string $known, bool $theirs): bool
    {
        return $answer !== '' && ($theirs || $known === '');
    }
}
