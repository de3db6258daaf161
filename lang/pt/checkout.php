<?php

declare(strict_types=1);

return [
    'amount' => 'O seu valor, em {currency}',
    'name' => 'Nome no recibo',
    'code_question' => 'Tenho um código',
    'code' => 'Código',
    'use' => 'Aplicar',
    'update' => 'Atualizar o total',
    'no_script' => 'Os campos do cartão precisam de JavaScript, que está desligado no seu navegador. Nada do que escreveu se perde: '
        .'permita-o nesta página e carregue-a novamente.',
    'add' => 'Sim, acrescentar {product}.',
    'pay' => 'Pagar agora',
    'off' => 'Código {code} ({what})',
    'off_own' => 'O seu próprio código ({what})',
    'tax' => 'Imposto ({rate, number, ::percent .##})',
    'tax_included' => 'Imposto incluído ({rate, number, ::percent .##})',
    'total' => 'Total',
    'due' => 'A pagar agora',
    'too_long' => 'É longo demais: no máximo {most, plural, one {# caractere} many {# caracteres} other {# caracteres}}.',
    'no_email' => 'Para onde enviamos o recibo?',
    'changed' => 'Esta página mudou desde que a abriu. Confira-a novamente antes de pagar.',
    'price_changed' => 'O preço mudou desde que abriu esta página: agora é {price}, e nada foi cobrado. Confira tudo novamente antes de '
        .'pagar.',
    'no_amount' => 'Quanto quer pagar?',
    'least' => 'O valor mínimo é {amount}.',
    'no_such_amount' => 'Um valor escreve-se com algarismos, por exemplo {example}.',
    'decimals' => 'Um valor em {currency} tem {decimals, plural, =0 {zero casas decimais} one {no máximo # casa decimal} many {no '
        .'máximo # casas decimais} other {no máximo # casas decimais}}, por exemplo {example}.',
    'too_much' => 'Este valor é alto demais.',
    'no_card' => 'Preencha o seu cartão. Os campos precisam de JavaScript, que está desligado ou bloqueado no seu navegador.',
    'look_again' => 'Confira o seu pedido mais uma vez.',
    'old_uncharged' => 'Esta página ficou aberta muito tempo. Nada foi cobrado: pressione o botão mais uma vez.',
    'card_silent' => 'Os campos do cartão não responderam. Nada foi cobrado: carregue a página novamente.',
    'sum_later' => 'Não foi possível calcular o total agora. Ele aparece na página seguinte, antes de qualquer cobrança.',
];
