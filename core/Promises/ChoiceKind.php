<?php

declare(strict_types=1);

namespace Lantern\Core\Promises;

/** What a made-up visitor can do next. */
enum ChoiceKind: string
{
    /** Opens a page by its address. */
    case Come = 'come';
    /** Follows a link or a button on the page they look at. */
    case Press = 'press';
    /** Fills in a form on it, or one in a pop-up over it. */
    case Join = 'join';
    /** Presses the link that asks whether the address is theirs. */
    case Confirm = 'confirm';
    /** Opens a pop-up's window and closes it. */
    case ClosePopup = 'close-popup';
    /** Follows a link in an email they have. */
    case Click = 'click';
    /** Pays at the checkout they look at. */
    case Buy = 'buy';
    /** Pays there with a card that is refused. */
    case CardRefused = 'card-refused';
    /** Says yes to an extra offer, or no. */
    case Accept = 'accept';
    case Decline = 'decline';
    /** Comes to their session and stays for some minutes. */
    case Attend = 'attend';
    case WatchReplay = 'watch-replay';
    /** Reads a guide, up to one of its pages. */
    case Read = 'read';
    case Download = 'download';
    case Unsubscribe = 'unsubscribe';
    /** Gets a tag, by the owner's hand or from another funnel; with it they are on the list. */
    case GetTag = 'get-tag';
    /** Goes on with another device, on which nobody knows them. */
    case OtherDevice = 'other-device';
    /** Does nothing: for some minutes, until shortly before a deadline ends, or until the next thing happens. */
    case Wait = 'wait';
}
