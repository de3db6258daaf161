<?php

declare(strict_types=1);

return [
    'on_sale' => [
        'title' => 'Já pode ser comprado',
        'words' => 'Você pode comprar agora.',
    ],
    'not_yet' => [
        'title' => 'Ainda não está aberto',
        'words' => 'Ainda não está à venda. Nada foi cobrado.',
    ],
    'over' => [
        'title' => 'Esta oferta terminou',
        'words' => 'Já não está à venda. Nada foi cobrado.',
    ],
    'sold_out' => [
        'title' => 'Todos os lugares estão ocupados',
        'words' => 'Alguém ficou com o último lugar antes de você. Nada foi cobrado.',
    ],
    'already_bought' => [
        'title' => 'Você já tem isto',
        'words' => 'Já foi comprado com este endereço. Nada foi cobrado. O link do seu recibo abre tudo o que é seu.',
    ],
    'time_ran_out' => [
        'title' => 'O prazo desta oferta terminou',
        'words' => 'Estava aberta para você por tempo limitado, e esse tempo acabou, em todos os aparelhos e por qualquer link. Nada '
            .'foi cobrado.',
    ],
    'time_not_begun' => [
        'title' => 'Esta oferta ainda não está aberta para você',
        'words' => 'Abre para quem recebeu um convite. Entre pelo link do seu e-mail. Nada foi cobrado.',
    ],
    'of' => '{name}: {why}',
    'gone' => 'Esta oferta já não existe. Nada foi cobrado.',
    'other_currency' => 'Esta oferta é vendida em moeda diferente da do seu pedido.',
    'no_card' => 'Não há cartão para cobrar: o seu pedido foi gratuito. Compre-a na própria página.',
    'join' => 'Ver como participar',
    'buyers_only' => 'É para quem acabou de comprar.',
    'one_click' => 'Cobrado no seu cartão, com um clique.',
    'one_click_card' => 'Cobrado no seu cartão com final {ends}, com um clique.',
    'order_stands' => '{why} Nada foi cobrado por esta oferta, e o seu pedido continua como estava.',
];
