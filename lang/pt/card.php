<?php

declare(strict_types=1);

return [
    'number' => 'Número do cartão',
    'until' => 'Válido até',
    'code' => 'Código de segurança',
    'fields' => 'Número do cartão · validade · código de segurança',
    'wrong_until' => 'Mês e ano, por exemplo 08/31.',
    'wrong_code' => 'Três algarismos.',
    'failed' => 'O pagamento não foi concluído.',
    'failed_uncharged' => 'O pagamento não foi concluído. Nada foi cobrado.',
    'uncharged' => 'Nada foi cobrado.',
    'declined' => 'O seu banco recusou este cartão. Tente com outro.',
    'no_funds' => 'Não há saldo suficiente neste cartão. Tente com outro.',
    'expired' => 'Este cartão venceu. Tente com outro.',
    'bank_refused' => 'O pagamento não foi aprovado no seu banco. Nada foi cobrado.',
    'bank_abandoned' => 'O pagamento não foi aprovado a tempo no seu banco. Nada foi cobrado.',
    'unknown' => 'Já não conhecemos este cartão. Preencha-o novamente.',
    'practice' => 'Pagamento de teste: nenhum dinheiro circula. Use um cartão de teste, por exemplo {number}.',
    'practice_only' => 'Os pagamentos de teste só aceitam cartões de teste, por exemplo {number}. Nunca escreva um verdadeiro.',
    'bank' => [
        'title' => 'Banco de teste',
        'nothing' => 'Não há nada para aprovar aqui',
        'nothing_words' => 'Volte à página de onde veio.',
        'decided' => 'Isto já está decidido',
        'back' => 'Voltar',
        'question' => 'Aprova este pagamento?',
        'amount' => '<b>{amount}</b> para {business}',
        'approve' => 'Aprovar',
        'refuse' => 'Recusar',
        'practice' => 'Isto ocupa o lugar da página do banco. Nenhum dinheiro circula.',
    ],
];
