<?php

declare(strict_types=1);

return [
    'not_here' => [
        'title' => 'Não há nenhuma página neste endereço',
        'words' => 'Confira se o link está sem erros ou pergunte a quem o enviou.',
    ],
    'closed' => [
        'title' => 'Esta oferta está fechada por enquanto',
        'words' => 'Obrigado pela visita. As inscrições estão fechadas no momento e nada foi guardado.',
    ],
    'not_open_yet' => [
        'title' => 'Ainda não está aberto',
        'words' => 'Obrigado pela visita. Abre: {moment}.',
    ],
    'preview_over' => [
        'title' => 'Esta pré-visualização expirou',
        'words' => 'Os links de pré-visualização valem duas semanas. Peça um novo a quem o enviou.',
    ],
    'too_many' => [
        'title' => 'Um momento, por favor',
        'words' => 'Houve muitas inscrições a partir da sua conexão nos últimos minutos. A sua está bem: volte e pressione o botão '
            .'novamente em dez minutos.',
    ],
    'too_many_payments' => [
        'title' => 'Um momento, por favor',
        'words' => 'Houve muitas tentativas de pagamento a partir da sua conexão nos últimos minutos. Nada foi cobrado por esta: volte '
            .'e pressione o botão novamente em dez minutos.',
    ],
    'session_gone' => [
        'title' => 'Esta data já não pode ser escolhida',
        'words' => 'Começou, passou ou foi cancelada entretanto. A data que tinha continua sua.',
    ],
    'time_is_up' => [
        'title' => 'O prazo para isto terminou',
        'words' => 'O que estava aqui ficou aberto para você por tempo limitado, e esse tempo acabou.',
    ],
    'go_on' => [
        'title' => 'Obrigado',
        'words' => 'Pronto. O que pediu está a caminho.',
    ],
    'starts_now' => [
        'title' => 'O seu prazo começa quando continuar',
        'words' => 'O que este link abre fica à sua disposição por tempo limitado. Começa quando pressionar o botão, e não antes, para '
            .'que nenhum programa que examine os seus e-mails o inicie por você.',
        'button' => 'Continuar e começar o meu prazo',
    ],
    'paying_now' => [
        'title' => 'Um momento: o seu pagamento está a caminho',
        'words' => 'O seu banco ainda não nos respondeu. Esta página verifica sozinha a cada poucos segundos e leva você adiante. '
            .'Também pode fechá-la: o recibo chega por e-mail e nada é cobrado duas vezes.',
    ],
    'not_paid' => [
        'title' => 'O pagamento não foi concluído',
    ],
    'link_not_yours' => [
        'title' => 'Este link não abre nada',
        'words' => 'Abra-o novamente a partir do seu recibo: lá ele está completo.',
    ],
    'access_paused' => [
        'title' => 'O acesso está suspenso',
        'words' => 'Há um pagamento em aberto. Assim que for pago, tudo se abre novamente. O link do seu recibo e o do e-mail sobre o '
            .'pagamento levam aonde pode resolvê-lo.',
    ],
    'access_ended' => [
        'title' => 'Isto já não está aberto para você',
        'words' => 'O acesso terminou, por exemplo após um reembolso. Se for um engano, escreva a quem lhe vendeu.',
    ],
    'for_buyers' => [
        'title' => 'Esta página é para quem comprou',
        'words' => 'Abra-a pelo link do seu recibo. Ele reconhece você.',
    ],
    'link_over' => [
        'title' => 'Este link para baixar expirou',
        'words' => 'Os links para baixar valem só por um tempo. Diga-nos o seu e-mail e chega um novo.',
        'button' => 'Enviar-me um novo link',
    ],
    'link_on_its_way' => [
        'title' => 'Veja a sua caixa de entrada',
        'words' => 'Se conhecemos este endereço, um novo link está a caminho e chega em um ou dois minutos.',
    ],
    'file_gone' => [
        'title' => 'Este arquivo já não está disponível',
        'words' => 'Quem o oferecia retirou-o.',
    ],
    'leave' => [
        'title' => 'Cancelar a inscrição?',
        'words' => 'Você não receberá mais e-mails de {business}.',
        'less' => 'Receber menos bastaria, ou {business} não deve mais escrever para você?',
        'button' => 'Sim, cancelar a minha inscrição',
        'no_news' => 'Só o que pedi, sem novidades',
        'no_series' => 'Esta série não, mas novidades de vez em quando',
        'quiet' => 'Nada por um mês',
    ],
    'left' => [
        'title' => 'Inscrição cancelada',
        'words' => 'Você não receberá mais e-mails de {business}. Obrigado por tê-los lido.',
        'mistake' => 'Pressionou sem querer?',
        'back' => 'Desfazer',
    ],
    'less_often' => [
        'title' => 'Você receberá menos',
        'words' => '{business} não envia mais e-mails deste tipo para você.',
    ],
    'quiet' => [
        'title' => 'Um mês de sossego',
        'words' => '{business} só volta a escrever para você daqui a trinta dias.',
    ],
    'subscribed_again' => [
        'title' => 'Como antes',
        'words' => 'Você recebe novamente os e-mails de {business}.',
    ],
    'busy' => [
        'title' => 'Um momento, por favor',
        'form' => 'Há muito movimento aqui agora, e o que enviou ainda não pôde ser recebido. Está tudo aqui.',
        'form_again' => 'Será enviado sozinho novamente em alguns segundos.',
        'form_or' => 'Ou pressione o botão.',
        'send' => 'Enviar novamente',
        'words' => 'Há muito movimento aqui agora. Esta página abre sozinha em alguns segundos.',
        'again' => 'Tentar novamente',
        'stored' => 'Nada pode ser guardado agora: o banco de dados está ocupado ou o disco está cheio. O que escreveu fica aqui e será '
            .'enviado sozinho novamente.',
    ],
    'to' => [
        'first_page' => 'Para a primeira página',
        'now' => 'Ver a oferta atual',
        'other_times' => 'Ver as outras datas',
        'again' => 'Tentar novamente',
        'on' => 'Continuar',
    ],
];
