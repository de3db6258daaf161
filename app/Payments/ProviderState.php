<?php

declare(strict_types=1);

namespace App\Payments;

enum ProviderState: string
{
    case Paid = 'paid';
    case Failed = 'failed';
    /** Waits for the buyer to approve it at their bank. */
    case Bank = 'bank';
    /** Under way: the provider will tell, or can be asked. */
    case Pending = 'pending';
}
