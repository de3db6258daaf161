<?php

declare(strict_types=1);

namespace App\Languages;

/** Where visitors meet what the application says to them: told to the owner who says it in other words. */
final class PhrasePlaces
{
    /** By the beginning of the keys: what the place is called, and when somebody comes to it. The longest that fits is meant. */
    public const ALL = [
        'page' => ['On pages', 'Labels beside your own words, some of which only screen readers say.'],
        'form' => ['Forms', 'Around the fields of every form, and where something is wrong with what was filled in.'],
        'confirm' => ['Confirming an address',
            'The page after a form, the email with the button, and what its link opens. A form can say them in words of its own.'],
        'confirm.done' => ['Confirming: done already', 'Somebody presses the button of an old email once more.'],
        'confirm.over' => ['Confirming: the link has run out', 'A link to confirm an address is pressed days later.'],
        'confirm.ask' => ['Confirming: one press', 'What the link in the email opens.'],
        'file' => ['Downloads', 'The button of your lead magnet.'],
        'guide' => ['Guides', 'Around the pages of a guide: contents, turning pages, and what is read before joining.'],
        'session' => ['Choosing a session', 'Where somebody chooses a session of a webinar, and the page of their own place.'],
        'room' => ['Room and replay', 'Beside the video, before it begins and after it is over, questions and polls.'],
        'replay' => ['Replay, where it cannot be seen', 'In place of a replay that is not open to whoever comes.'],
        'price' => ['Prices', 'On pages and in emails, wherever a price stands.'],
        'coupon' => ['Codes', 'Where somebody types a code that makes something cheaper.'],
        'checkout' => ['Checkout', 'Around the fields of the checkout, and where something is wrong with what was filled in.'],
        'card' => ['Card', 'The fields of the card, and why one could not be charged.'],
        'card.bank' => ['Practice bank', 'The page that stands in for the buyer’s bank while you practise.'],
        'offer' => ['Extra offers', 'Something offered along with an order, or after it.'],
        'offer.on_sale' => ['Checkout: it can be bought', 'In place of a checkout.'],
        'offer.not_yet' => ['Checkout: not open yet', 'In place of a checkout.'],
        'offer.over' => ['Checkout: over', 'In place of a checkout.'],
        'offer.sold_out' => ['Checkout: sold out', 'In place of a checkout, and after a form where somebody was quicker.'],
        'offer.already_bought' => ['Checkout: bought before', 'Somebody wants to buy what they have.'],
        'offer.time_ran_out' => ['Checkout: the time is up', 'In place of a checkout, after a deadline.'],
        'offer.time_not_begun' => ['Checkout: not invited', 'In place of a checkout whose deadline has not begun for whoever comes.'],
        'purchase' => ['Purchases', 'The page of an order, and the page of all that somebody has bought.'],
        'receipt' => ['Receipts', 'The receipt as a PDF.'],
        'mail' => ['Every email', 'How emails begin, and the foot of all.'],
        'mail.link' => ['Email: a new download link', 'Somebody whose link had run out asks for a new one.'],
        'mail.session' => ['Emails about sessions', 'Buttons that all of them have.'],
        'mail.session.place' => ['Email: a place is free', 'Somebody on the waiting list has a place now.'],
        'mail.session.moved' => ['Email: another time', 'You moved a session.'],
        'mail.session.cancelled' => ['Email: cancelled', 'You cancelled a session.'],
        'mail.session.again' => ['Email: registered already', 'Somebody registers who has a place.'],
        'mail.receipt' => ['Emails with receipts', 'The lines of every receipt by email.'],
        'mail.receipt.purchase' => ['Email: receipt', 'Right after buying.'],
        'mail.receipt.payment' => ['Email: payment received', 'Each payment of a plan.'],
        'mail.receipt.refund' => ['Email: refund', 'Money goes back.'],
        'mail.trouble' => ['Email: a payment needs you', 'A payment of a plan did not go through, or waits for the bank.'],
        'notice.not_here' => ['Page: not found', 'There is nothing at an address.'],
        'notice.closed' => ['Page: closed', 'The funnel is closed.'],
        'notice.not_open_yet' => ['Page: not open yet', 'The funnel opens later.'],
        'notice.preview_over' => ['Page: preview over', 'A link to a preview that has ended.'],
        'notice.too_many' => ['Page: too many sign-ups', 'A great many forms come from one connection.'],
        'notice.too_many_payments' => ['Page: too many payments', 'A great many tries to pay come from one connection.'],
        'notice.session_gone' => ['Page: session gone', 'Somebody chooses a time that cannot be chosen any more.'],
        'notice.time_is_up' => ['Page: the time is up', 'A page behind a deadline that is over, with nothing after it.'],
        'notice.go_on' => ['Page: thank you', 'After a form that leads to no page.'],
        'notice.starts_now' => ['Page: your time starts', 'A link in an email that starts a deadline.'],
        'notice.paying_now' => ['Page: payment on its way', 'Until the bank has answered.'],
        'notice.not_paid' => ['Page: not paid', 'The bank refused, or was left.'],
        'notice.link_not_yours' => ['Page: the link opens nothing', 'A link to purchases that is not whole.'],
        'notice.access_paused' => ['Page: access paused', 'A payment of a plan is open.'],
        'notice.access_ended' => ['Page: access ended', 'After a refund.'],
        'notice.for_buyers' => ['Page: for buyers', 'A page of a programme, opened by somebody who is not known to have bought it.'],
        'notice.link_over' => ['Page: download link over', 'A download link that has run out.'],
        'notice.link_on_its_way' => ['Page: new link sent', 'A new download link was asked for.'],
        'notice.file_gone' => ['Page: file gone', 'A download you took back.'],
        'notice.leave' => ['Page: unsubscribe', 'The link below every email.'],
        'notice.left' => ['Page: unsubscribed', 'After it.'],
        'notice.less_often' => ['Page: less emails', 'After asking for less.'],
        'notice.quiet' => ['Page: a month of quiet', 'After asking for it.'],
        'notice.subscribed_again' => ['Page: subscribed again', 'Somebody takes it back.'],
        'notice.busy' => ['Page: busy', 'A great deal goes on at once, or nothing can be stored.'],
        'notice.to' => ['Buttons of these pages', 'Where they lead.'],
    ];

    public static function of(string $key): string
    {
        for ($place = $key; $place !== '' && ! isset(self::ALL[$place]);) {
            $place = str_contains($place, '.') ? substr($place, 0, (int) strrpos($place, '.')) : '';
        }

        return $place;
    }
}
