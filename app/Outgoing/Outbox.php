<?php

declare(strict_types=1);

namespace App\Outgoing;

use App\Documents\OrderVersions;
use App\Models\User;
use App\Support\Stored;
use Illuminate\Mail\Message;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use stdClass;
use Throwable;

/**
 * Letters that leave the house. They are written with what they tell of, in one transaction, and sent after it, so that none tells of what
 * did not come to be; one that cannot be delivered stays with what went wrong.
 */
final class Outbox
{
    /** A letter that has been with the mailer for so long is not on its way any more. */
    private const SENDING_SECONDS = 120;

    private const LONGEST_ERROR = 500;

    /**
     * Call within the transaction that makes what it tells of.
     *
     * @param  array{kind: string, supplier: string, order?: string, version?: int}  $about
     * @param  list<LetterFile>  $files
     * @return int its number, to send it by
     */
    public static function put(array $about, string $recipient, string $subject, string $body, array $files, User $by): int
    {
        return (int) DB::table('letters')->insertGetId([
            'kind' => $about['kind'], 'supplier_code' => $about['supplier'], 'order_code' => $about['order'] ?? null,
            'version' => $about['version'] ?? null, 'recipient' => $recipient, 'subject' => $subject, 'body' => $body,
            'files' => json_encode(array_map(fn (LetterFile $file) => $file->kept(), $files), JSON_THROW_ON_ERROR),
            'state' => LetterState::Waiting->value, 'user_id' => $by->id, 'created_at' => now(),
        ]);
    }

    /** Hands a letter to the mailer, once: whoever comes while it is on its way, or after it went, does nothing. */
    public static function send(int $letter): void
    {
        $claimed = DB::table('letters')->where('id', $letter)
            ->where(fn ($query) => $query->whereIn('state', [LetterState::Waiting->value, LetterState::Failed->value])
                ->orWhere(fn ($old) => $old->where('state', LetterState::Sending->value)->where('sent_at', '<', now()->subSeconds(self::SENDING_SECONDS))))
            ->update(['state' => LetterState::Sending->value, 'sent_at' => now(), 'tries' => DB::raw('tries + 1'), 'error' => null]);
        $row = $claimed === 1 ? DB::table('letters')->where('id', $letter)->first() : null;
        if ($row === null) {
            return;
        }
        try {
            Mail::raw(Stored::text($row->body), function (Message $message) use ($row): void {
                $message->to(Stored::text($row->recipient))->subject(Stored::text($row->subject));
                foreach (self::files($row) as $file) {
                    $message->attachData($file->content, $file->name, ['mime' => $file->type]);
                }
            });
            DB::table('letters')->where('id', $letter)->update(['state' => LetterState::Sent->value, 'sent_at' => now()]);
        } catch (Throwable $trouble) { // whatever the way to the world has to say is kept beside the letter
            DB::table('letters')->where('id', $letter)->update([
                'state' => LetterState::Failed->value, 'error' => mb_strcut($trouble->getMessage(), 0, self::LONGEST_ERROR), 'sent_at' => null,
            ]);
        }
    }

    /**
     * What goes with a letter: the version of the order that it sends, and what was given with it.
     *
     * @return list<LetterFile>
     */
    public static function files(stdClass $letter): array
    {
        $given = array_values(array_map(
            fn (mixed $file) => LetterFile::ofKept((array) $file),
            (array) json_decode(Stored::text($letter->files), true, 512, JSON_THROW_ON_ERROR),
        ));
        $order = $letter->version === null ? null : DB::table('orders')->where('code', $letter->order_code)->value('id');
        $version = Stored::int($letter->version ?? 0);
        $paper = $order === null ? null : OrderVersions::paper(Stored::int($order), $version);
        if ($paper === null) {
            return $given;
        }
        $name = $paper->code.($version > 1 ? "-{$version}" : '');

        return [
            ...$given, new LetterFile("{$name}.pdf", 'application/pdf', OrderVersions::pdf($paper, $version)),
            ...($paper->lines === [] ? [] : [new LetterFile("{$name}.xml", 'application/xml', OrderVersions::ubl($paper, $version))]),
        ];
    }
}
