<?php

declare(strict_types=1);

namespace App\Reading\Shapes;

/** How far a purchase is. */
enum PurchaseStage: string
{
    case Request = 'request';
    case Firm = 'firm';
    case Sent = 'sent';
    case Confirmed = 'confirmed';
    case Partly = 'partly';
    case Closed = 'closed';
    case Cancelled = 'cancelled';

    /**
     * @param  string  $status  of the order
     * @param  bool  $isConfirmed  whether all of its lines are
     */
    public static function of(string $status, bool $isRequest, bool $hasReceived, bool $isConfirmed): self
    {
        return match (true) {
            $status === 'done' => self::Closed,
            $status === 'cancelled' => self::Cancelled,
            $isRequest => self::Request,
            $hasReceived => self::Partly,
            $status === 'firm' => self::Firm,
            $isConfirmed => self::Confirmed,
            default => self::Sent,
        };
    }
}
