<?php

declare(strict_types=1);

namespace App\Trials;

use App\Support\PhraseJson;
use App\Support\Refused;

/**
 * Asks the process that keeps the plan ready, see {@see PlanServer}; where none runs, or it goes in the middle, the answer is worked out
 * in this process.
 */
final readonly class PlanClient
{
    /** Seconds without a word after which the process is given up; it ends what takes too long long before. */
    private const PATIENCE = 300;

    public function __construct(private PlanQueries $queries, private ?string $socket)
    {
    }

    /**
     * @param  mixed  ...$arguments  of the question's method of {@see PlanQueries}, by name
     * @return array<mixed>
     *
     * @throws Refused
     */
    public function ask(PlanQuestion $question, mixed ...$arguments): array
    {
        return $this->askTelling($question, fn () => null, ...$arguments);
    }

    /**
     * @param  callable(array<mixed>): mixed  $tell  is told what is found on the way
     * @return array<mixed>
     *
     * @throws Refused
     */
    public function askTelling(PlanQuestion $question, callable $tell, mixed ...$arguments): array
    {
        $told = 0;
        $first = function (array $found) use ($tell, &$told): void {
            $told++;
            $tell($found);
        };
        $again = function (array $found) use ($tell, &$told): void {
            --$told < 0 && $tell($found); // what was told before the process went is not told again
        };
        $connection = $this->connection();
        $answer = $connection === null ? null : $this->there($connection, $question, $arguments, $first);

        return $answer ?? $this->queries->answer($question, $arguments, $again);
    }

    /**
     * @param  resource  $connection
     * @param  array<mixed>  $arguments
     * @param  callable(array<mixed>): mixed  $tell
     * @return array<mixed>|null  null when the process has gone
     */
    private function there($connection, PlanQuestion $question, array $arguments, callable $tell): ?array
    {
        stream_set_timeout($connection, self::PATIENCE);
        @fwrite($connection, json_encode([$question, $arguments], JSON_THROW_ON_ERROR)."\n");
        while (($line = fgets($connection)) !== false) {
            $said = json_decode($line, true);
            if (! is_array($said)) {
                break; // cut off in the middle of a line
            }
            if (isset($said['trouble'])) {
                throw new Refused(PhraseJson::read((string) $said['trouble']), (string) $said['reason']);
            }
            if (isset($said['answer'])) {
                fclose($connection);

                return (array) $said['answer'];
            }
            $tell((array) ($said['tell'] ?? []));
        }
        fclose($connection);

        return null;
    }

    /** @return resource|null */
    private function connection()
    {
        $connection = $this->socket === null ? false : @stream_socket_client("unix://{$this->socket}", $number, $message, 1);

        return $connection === false ? null : $connection;
    }
}
