<?php

declare(strict_types=1);

return [
    'close' => 'Fechar',
    'menu' => 'Menu',
    'time_is_up' => 'O prazo terminou.',
    'time_is_up_short' => 'O prazo terminou',
    'watch' => 'Ver o vídeo',
    'share' => 'Compartilhar',
    'copy' => 'Copiar link',
    'copied' => 'Copiado',
    'email' => 'Por e-mail',
    'preview' => 'Pré-visualização de um rascunho. Nada do que for feito aqui fica guardado.',
    'copy_no_buy' => 'Esta cópia da página não está ligada a um site, por isso aqui não se pode comprar nada.',
    'copy_no_form' => 'Esta cópia da página não está ligada a um site, por isso o formulário não pode ser enviado.',
    'to_checkout' => 'Ir para o pagamento',
];
