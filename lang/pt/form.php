<?php

declare(strict_types=1);

return [
    'optional' => '(opcional)',
    'choose' => 'Escolha',
    'empty' => 'Deixe este campo vazio',
    'email' => 'E-mail',
    'consent' => 'Marque a caixa se estiver de acordo.',
    'tick' => 'Marque esta caixa.',
    'choose_one' => 'Escolha: {label}.',
    'missing' => 'Preencha: {label}.',
    'too_long' => '{label}: é longo demais, no máximo {most, plural, one {# caractere} many {# caracteres} other {# caracteres}}.',
    'phone' => 'Um número de telefone tem algarismos e, se quiser, um sinal de mais no início.',
    'no_choice' => 'Escolha uma das respostas: {label}.',
    'no_choices' => 'Escolha entre as respostas: {label}.',
    'no_day' => '{label}: este dia não existe. Escreva assim: 2027-03-31.',
    'no_number' => '{label}: é preciso um número, por exemplo 1234,5.',
    'no_email' => 'Preencha o seu e-mail.',
    'wrong_email' => 'Isto não parece um endereço de e-mail. Confira se está sem erros.',
    'elsewhere' => 'Boas-vindas. As suas respostas vieram junto: pressione o botão mais uma vez e pronto.',
    'old' => 'Esta página ficou aberta muito tempo. As suas respostas ainda estão aqui: pressione o botão mais uma vez.',
    'old_short' => 'Esta página ficou aberta muito tempo. Pressione o botão mais uma vez.',
    'old_or_closed' => 'Esta página ficou aberta muito tempo, ou o formulário foi fechado entretanto. Carregue a página novamente.',
    'fast' => 'Foi muito rápido, como se um programa tivesse preenchido o formulário. Se você é uma pessoa, pressione o botão mais uma '
        .'vez.',
    'not_open' => 'Este formulário não está aberto no momento.',
    'flood' => 'Houve muitas inscrições a partir da sua conexão nos últimos minutos. Tente novamente em dez minutos.',
    'begin_again' => 'Comece de novo: o que tinha preenchido já não está disponível.',
    'trouble' => 'Não deu certo. Tente novamente daqui a pouco.',
    'trouble_kept' => 'Não deu certo. Tente novamente daqui a pouco: as suas respostas ainda estão aqui.',
    'close' => 'Fechar',
];
