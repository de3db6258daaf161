<?php

declare(strict_types=1);

return [
    'hello' => 'שלום {name},',
    'there' => 'לכם',
    'hello_nobody' => 'שלום,',
    'unsubscribe' => 'ביטול הרשמה, או קבלת פחות',
    'unsubscribe_at' => 'ביטול הרשמה: {address}',
    'no_subject' => '(ללא נושא)',
    'link' => [
        'subject' => 'קישור ההורדה החדש שלכם',
        'here' => 'הנה קישור חדש אל ”{file}“:',
        'here_unnamed' => 'הנה קישור חדש להורדה שלכם:',
        'download' => 'להורדה עכשיו',
        'not_you' => 'ביקשתם אותו בעמוד שלנו. אם לא אתם ביקשתם, אין צורך לעשות דבר.',
    ],
    'session' => [
        'room' => 'הקישור שלכם לחדר',
        'calendar' => 'הוספה ליומן',
        'choose' => 'בחירת מועד אחר',
        'place' => [
            'subject' => 'יש לכם מקום: {webinar}',
            'words' => 'התפנה מקום, והוא שלכם: ”{webinar}“, {moment}.',
            'cannot' => 'בכל זאת לא תוכלו להגיע? <link>בחרו מועד אחר, או תנו את המקום למישהו אחר</link>.',
        ],
        'moved' => [
            'subject' => 'מועד חדש: {webinar}',
            'words' => '”{webinar}“ עבר למועד אחר: {moment}. המקום שלכם שמור.',
            'calendar' => 'עדכון היומן',
            'cannot' => 'זה לא מתאים? <link>בחרו מועד אחר</link>.',
        ],
        'cancelled' => [
            'subject' => 'בוטל: {webinar}',
            'words' => 'אנו מצטערים: ”{webinar}“ לא יתקיים במועד שבחרתם.',
            'calendar' => 'הסרה מהיומן',
        ],
        'again' => [
            'subject' => 'כבר יש לכם מקום: {webinar}',
            'words' => 'מישהו, אנו מקווים שאתם, רשם אתכם כעת אל ”{webinar}“. כבר יש לכם שם מקום: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'הקבלה שלכם: {what}',
            'words' => 'תודה. הנה הקבלה שלכם, מספר {number}:',
        ],
        'payment' => [
            'subject' => 'התשלום התקבל: {what}',
            'words' => 'התשלום שלכם הגיע. קבלה מספר {number}:',
        ],
        'refund' => [
            'subject' => 'החזר: {what}',
            'words' => 'הכסף שלכם בדרך חזרה אליכם. מספר {number}:',
        ],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} הנחה)',
        'total' => 'סך הכול: {amount}',
        'paid' => 'שולם: {amount}',
        'tax' => 'מתוכו {tax}: {amount}',
        'later' => 'עוד יחויב מאותו כרטיס:',
        'payment_on' => '{day}: {amount}',
        'open' => 'לפתיחת מה שקניתם',
        'about' => 'הקישור הזה שלכם בלבד: הוא פותח בלי סיסמה את כל מה שקניתם, את הקבלות ואת הכרטיס של תשלום בתשלומים. <link>הקבלה '
            .'כ־PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'תשלום ממתין לכם',
        'bank' => 'התשלום הבא עבור ”{what}“, {amount}, ממתין לכם: הבנק שלכם מבקש שתאשרו אותו.',
        'approve' => 'אישור בבנק',
        'failed' => 'התשלום הבא עבור ”{what}“, {amount}, לא עבר. {why}',
        'again' => 'ננסה שוב: {day}. אם כרטיס אחר עדיף, מלאו אותו כאן והתשלום יתבצע מיד:',
        'given_up' => 'ניסינו כמה פעמים לחייב את התשלום של {amount} עבור ”{what}“, וזה לא הצליח. עד לתשלום הגישה מושהית.',
        'card' => 'שימוש בכרטיס אחר',
    ],
];
