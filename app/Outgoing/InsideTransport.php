<?php

declare(strict_types=1);

namespace App\Outgoing;

use Illuminate\Support\Facades\DB;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Message;

/** Puts mail into a box inside the installation, where no way to the world has been set up. */
final class InsideTransport extends AbstractTransport
{
    protected function doSend(SentMessage $message): void
    {
        $original = $message->getOriginalMessage();
        DB::table('mailbox')->insert([
            'recipient' => implode(', ', array_map(fn (Address $to) => $to->getAddress(), $message->getEnvelope()->getRecipients())),
            'subject' => $original instanceof Message ? (string) $original->getHeaders()->get('Subject')?->getBodyAsString() : '',
            'message' => $message->toString(), 'created_at' => now(),
        ]);
    }

    public function __toString(): string
    {
        return 'inside';
    }
}
