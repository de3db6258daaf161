<?php

declare(strict_types=1);

return [
    'title' => 'Mais um passo: veja a sua caixa de entrada',
    'text' => 'Um e-mail curto está a caminho. Pressione o botão que ele contém e pronto. Se em dois minutos não chegar, veja no spam.',
    'subject' => 'Confirme, por favor: este é o seu endereço?',
    'body' => 'alguém, provavelmente você, pediu isto a {business}. Um clique e é seu:',
    'button' => 'Sim, é o meu endereço',
    'not_you' => 'Se não foi você, não precisa fazer nada: sem esse clique nada mais chegará.',
    'again' => 'Enviar novamente',
    'sent_again' => 'O e-mail foi enviado outra vez. Vale o mais recente.',
    'just_sent' => 'Um e-mail acabou de sair. Espere um minuto, veja no spam e confira se o endereço está sem erros.',
    'done' => [
        'title' => 'Já está feito',
        'words' => 'Este endereço já está confirmado. Não há mais nada a fazer aqui.',
    ],
    'over' => [
        'title' => 'Este link expirou',
        'words' => 'Os links para confirmar um endereço valem só alguns dias. Pressione o botão e chega um novo.',
    ],
    'ask' => [
        'title' => 'Este é o seu endereço?',
        'words' => 'Um clique e pronto.',
    ],
];
