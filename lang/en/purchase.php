<?php

declare(strict_types=1);

// What somebody has bought, on the page of their order and on the page of all their purchases.
return [
    'title' => 'My purchases',
    'words' => 'Everything you have from {business}. Keep the link to this page: it needs no password.',
    'none' => 'There is nothing here yet.',
    'open' => 'Open it',
    'download' => 'Download {file}',
    'active' => 'Open',
    'paused' => 'Paused',
    'ended' => 'Ended',
    'order' => 'Order {number}',
    'order_of' => 'Order {number}, {day}',
    'line' => '{name}: {amount}',
    'line_returned' => '{name}: {amount} (returned)',
    'paid' => 'Paid {amount}.',
    'paid_refunded' => 'Paid {amount}, refunded {refunded}.',
    'card' => 'Card ending in {ends}',
    'receipt' => '{kind} {number} (PDF)',
    'to_pay' => 'Still to pay',
    'payment' => '{day}: {amount}',
    'payment_failed' => 'did not go through',
    'approve' => 'Approve it at your bank',
    'other_card' => 'Use another card',
    'no_script' => 'The card fields need JavaScript, which your browser has turned off.',
    'use_and_pay' => 'Use this card and pay what is open',
    'use' => 'Use this card',
    'no_new_card' => 'Please fill in the new card.',
    'new_card' => 'Thank you. The new card is in place.',
    'thanks' => 'Thank you for your order',
    'your_order' => 'Your order',
    'summary' => 'Paid: {amount}. Order {number}. The receipt comes to {email}, and the link in it opens everything you have bought.',
    'by_receipt' => 'What you bought is opened by the link in your receipt.',
];
