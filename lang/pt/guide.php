<?php

declare(strict_types=1);

return [
    'read' => 'Ler agora',
    'contents' => 'Sumário',
    'previous' => 'Página anterior',
    'next' => 'Próxima página',
    'page' => 'Página {number} de {count}',
    'time' => '{minutes, plural, one {# minuto} many {# minutos} other {# minutos}} de leitura',
    'progress' => 'Até onde chegou',
    'save' => 'Salvar como PDF',
    'answer' => 'A sua resposta',
    'kept' => 'Guardado para você',
    'not_kept' => 'Ainda não guardado',
    'offline' => 'Não há conexão neste momento. O que escreveu fica aqui até ela voltar.',
    'locked' => 'O restante é seu quando se inscrever',
    'locked_words' => 'Estas primeiras páginas estão abertas a todos. Diga-me para onde enviar o guia e poderá continuar logo.',
    'locked_to' => 'Quero o guia inteiro',
];
