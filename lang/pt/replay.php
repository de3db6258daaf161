<?php

declare(strict_types=1);

return [
    'title' => 'A gravação: {webinar}',
    'members' => 'A gravação é para quem se inscreveu. Abra-a pelo link do nosso e-mail ou <link>inscreva-se aqui</link>.',
    'soon' => 'A gravação ainda não está aqui. Volte a ver daqui a pouco.',
    'opens' => 'A gravação abre: {moment}.',
    'over' => 'A gravação terminou: esteve aberta por tempo limitado.',
    'not_yours' => 'A gravação não está aberta para você.',
];
