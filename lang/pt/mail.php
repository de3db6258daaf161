<?php

declare(strict_types=1);

return [
    'hello' => 'Olá {name},',
    'there' => 'e boas-vindas',
    'hello_nobody' => 'Olá,',
    'unsubscribe' => 'Cancelar a inscrição ou receber menos',
    'unsubscribe_at' => 'Cancelar a inscrição: {address}',
    'no_subject' => '(sem assunto)',
    'link' => [
        'subject' => 'O seu novo link para baixar',
        'here' => 'aqui está um novo link para “{file}”:',
        'here_unnamed' => 'aqui está um novo link para o seu arquivo:',
        'download' => 'Baixar agora',
        'not_you' => 'Foi pedido na nossa página. Se não foi você, não precisa fazer nada.',
    ],
    'session' => [
        'room' => 'O seu link para a sala',
        'calendar' => 'Adicionar ao calendário',
        'choose' => 'Escolher outra data',
        'place' => [
            'subject' => 'Você tem um lugar: {webinar}',
            'words' => 'Um lugar ficou livre e é seu: “{webinar}”, {moment}.',
            'cannot' => 'Afinal não pode vir? <link>Escolha outra data ou ceda o seu lugar a outra pessoa</link>.',
        ],
        'moved' => [
            'subject' => 'Nova data: {webinar}',
            'words' => '“{webinar}” mudou de data: {moment}. O seu lugar está guardado.',
            'calendar' => 'Atualizar o calendário',
            'cannot' => 'Não lhe convém? <link>Escolha outra data</link>.',
        ],
        'cancelled' => [
            'subject' => 'Cancelado: {webinar}',
            'words' => 'Lamentamos: “{webinar}” não acontece na data que tinha escolhido.',
            'calendar' => 'Tirar do calendário',
        ],
        'again' => [
            'subject' => 'Você já tem um lugar: {webinar}',
            'words' => 'Alguém, esperamos que você, acabou de fazer a sua inscrição em “{webinar}”. Você já tem um lugar lá: {moment}.',
        ],
    ],
    'receipt' => [
        'purchase' => [
            'subject' => 'O seu recibo: {what}',
            'words' => 'Obrigado. Aqui está o seu recibo, número {number}:',
        ],
        'payment' => [
            'subject' => 'Pagamento recebido: {what}',
            'words' => 'O seu pagamento chegou. Recibo número {number}:',
        ],
        'refund' => [
            'subject' => 'Reembolso: {what}',
            'words' => 'O seu dinheiro está voltando para você. Número {number}:',
        ],
        'line' => '{name}: {amount}',
        'line_off' => '{name}: {amount} ({discount} de desconto)',
        'total' => 'Total: {amount}',
        'paid' => 'Pago: {amount}',
        'tax' => '{tax} incluído: {amount}',
        'later' => 'Ainda a pagar, cobrado no mesmo cartão:',
        'payment_on' => '{day}: {amount}',
        'open' => 'Abrir o que comprou',
        'about' => 'Este link é só seu: abre sem senha tudo o que comprou, os seus recibos e o cartão de um pagamento parcelado. '
            .'<link>Recibo em PDF</link>.',
    ],
    'trouble' => [
        'subject' => 'Um pagamento precisa de você',
        'bank' => 'o próximo pagamento de “{what}”, {amount}, espera por você: o seu banco quer que o aprove.',
        'approve' => 'Aprovar no seu banco',
        'failed' => 'o próximo pagamento de “{what}”, {amount}, não foi concluído. {why}',
        'again' => 'Tentaremos de novo em {day}. Se preferir outro cartão, preencha-o aqui e o pagamento é feito na hora:',
        'given_up' => 'tentamos várias vezes cobrar o pagamento de {amount} por “{what}”, sem sucesso. Até ser pago, o acesso fica '
            .'suspenso.',
        'card' => 'Usar outro cartão',
    ],
];
