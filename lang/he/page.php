<?php

declare(strict_types=1);

return [
    'close' => 'סגירה',
    'menu' => 'תפריט',
    'time_is_up' => 'הזמן נגמר.',
    'time_is_up_short' => 'הזמן נגמר',
    'watch' => 'צפייה בסרטון',
    'share' => 'שיתוף',
    'copy' => 'העתקת הקישור',
    'copied' => 'הועתק',
    'email' => 'בדואר אלקטרוני',
];
