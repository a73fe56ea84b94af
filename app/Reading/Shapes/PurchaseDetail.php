<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** What a purchase is beside its lines. */
final readonly class PurchaseDetail
{
    /**
     * @param  int  $version  the optimistic lock of the order
     * @param  string  $mail  where it is sent to; empty where nothing is known
     * @param  string  $text  what it says beside its lines
     * @param  string|null  $asked  who asked for it, and what was said
     * @param  bool  $isNews  whether its supplier has not been told what it says now
     * @param  list<OrderVersionRow>  $versions  the newest first
     */
    public function __construct(
        public PurchaseStage $stage,
        public int $version,
        public string $mail,
        public string $text,
        public ?string $asked,
        public bool $isNews,
        public array $versions,
    ) {
    }
}
