<?php

declare(strict_types=1);

return [
    'once' => '{amount}',
    'payments' => '{count} × {amount}',
    'free' => 'ללא תשלום',
    'any' => 'כמה שתרצו',
    'from' => 'החל ב־{amount}',
    'note' => [
        'once' => 'תשלום אחד, בלי מנוי{tax, select, yes {, בתוספת מס} other {}}.',
        'week' => 'תשלום אחד בשבוע, {total} בסך הכול{tax, select, yes {, בתוספת מס} other {}}.',
        'month' => 'תשלום אחד בחודש, {total} בסך הכול{tax, select, yes {, בתוספת מס} other {}}.',
        'tax' => 'בתוספת מס.',
    ],
];
