<?php

declare(strict_types=1);

namespace App\Support;

/** What a seal is for: one that was made for one thing opens nothing else. The words stand in seals of earlier releases, too. */
enum SealPurpose: string
{
    /** That an address is somebody's, and where they wait for the email that asks. */
    case Confirmation = 'confirm';
    /** That a form was loaded from us. */
    case Form = 'form';
    /** What a buyer has, pays and paid. */
    case Payment = 'pay';
    /** That somebody reads a guide. */
    case Reading = 'read';
    /** A place in a session. */
    case Registration = 'registration';
    case Preview = 'preview';
    /** That a browser is the owner's. */
    case HandOver = 'hand over';
    /** A view of a page on which pop-ups may show. */
    case PopupView = 'view';
    /** Links, pictures and the way out in an email. */
    case Mail = 'mail';
    /** A file that a form promised, on the page after it. */
    case File = 'file';
    /** What a browser keeps for us. */
    case Cookie = 'cookie';
}
