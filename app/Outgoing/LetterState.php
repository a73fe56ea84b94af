<?php

declare(strict_types=1);

namespace App\Outgoing;

/** How far a letter is. */
enum LetterState: string
{
    /** Written, and to be sent. */
    case Waiting = 'waiting';

    /** Handed to the mailer; where that ended meanwhile nobody knows whether it went. */
    case Sending = 'sending';
    case Sent = 'sent';

    /** It could not be delivered and can be sent again. */
    case Failed = 'failed';
}
