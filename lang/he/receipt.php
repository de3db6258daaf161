<?php

declare(strict_types=1);

return [
    'purchase' => 'קבלה',
    'payment' => 'קבלה על תשלום',
    'refund' => 'החזר',
    'title' => '{kind} {number}',
    'order' => 'הזמנה {number}',
    'tax_number' => 'מספר {tax} {number}',
    'for' => 'עבור',
    'what' => 'פריט',
    'of_it' => 'מתוכו',
    'amount' => 'סכום',
    'less' => 'פחות {amount}',
    'less_code' => 'פחות {amount} עם הקוד {code}',
    'total' => 'סך הכול',
    'tax_in_it' => 'מתוכו {tax}',
    'paid' => 'שולם',
    'paid_card' => 'שולם בכרטיס המסתיים ב־{ends}',
    'paid_back' => 'הוחזר',
    'paid_back_card' => 'הוחזר לכרטיס המסתיים ב־{ends}',
    'paid_by' => 'שולם באמצעות {method}',
    'paid_back_by' => 'הוחזר באמצעות {method}',
    'rate' => '{rate, number, ::percent .##}',
    'part' => '{name}: תשלום {number} מתוך {count}',
    'still' => 'עוד לתשלום',
];
