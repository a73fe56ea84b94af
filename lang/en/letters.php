<?php

declare(strict_types=1);

/* Letters to suppliers. */
return [
    'order' => [
        'first' => [
            'subject' => 'Purchase order :order',
            'body' => "Dear :contact,\n\nplease find attached our purchase order :order, as PDF and as UBL.\nPlease confirm quantities and dates of each line.\n\nKind regards\n:by\n:company",
        ],
        'again' => [
            'subject' => 'Purchase order :order, version :version',
            'body' => "Dear :contact,\n\nour purchase order :order has changed. Please find attached version :version; it takes the place of all before it.\nPlease confirm quantities and dates of each line.\n\nKind regards\n:by\n:company",
        ],
        'cancelled' => [
            'subject' => 'Purchase order :order is cancelled',
            'body' => "Dear :contact,\n\nour purchase order :order is cancelled; please deliver nothing for it, and confirm that.\n\nKind regards\n:by\n:company",
        ],
    ],
    'chase' => [
        'subject' => 'Our open orders with you',
        'body' => "Dear :contact,\n\nplease tell us by when we get these:\n\n:lines\n\nKind regards\n:by\n:company",
        'line' => '- Order :order, line :number: :qty of :item (:name), due :due: :why',
        'late' => 'it is late',
        'otherwise' => 'you have confirmed it otherwise',
        'not_confirmed' => 'you have not confirmed it',
        'soon' => 'it is due soon',
    ],
];
