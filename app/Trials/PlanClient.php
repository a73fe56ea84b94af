<?php

declare(strict_types=1);

namespace App\Trials;

use App\Support\PhraseJson;
use App\Support\Refused;
use RuntimeException;

/**
 * Asks the process that keeps the plan ready, where one runs, else in this process.
 *
 * A question goes over the socket as a line of JSON, `[name, arguments]`; the answer comes as lines `{"tell": ...}` for what is found on
 * the way, and one `{"answer": ...}` or `{"trouble": ..., "reason": ...}` at the end.
 */
final readonly class PlanClient
{
    /** Seconds after which the process is given up. */
    private const PATIENCE = 120;

    public function __construct(private PlanQueries $queries, private ?string $socket)
    {
    }

    /**
     * @param  mixed  ...$arguments  of the method of {@see PlanQueries} by that name, by name
     * @return array<mixed>
     *
     * @throws Refused
     */
    public function ask(string $question, mixed ...$arguments): array
    {
        $connection = $this->connection();

        return $connection === null
            ? $this->here($question, $arguments, null)
            : $this->there($connection, $question, $arguments, fn () => null);
    }

    /**
     * @param  callable(array<mixed>): void  $tell
     * @return array<mixed>
     *
     * @throws Refused
     */
    public function askTelling(string $question, callable $tell, mixed ...$arguments): array
    {
        $connection = $this->connection();

        return $connection === null ? $this->here($question, $arguments, $tell) : $this->there($connection, $question, $arguments, $tell);
    }

    /**
     * @param  array<mixed>  $arguments
     * @param  (callable(array<mixed>): void)|null  $tell
     * @return array<mixed>
     */
    private function here(string $question, array $arguments, ?callable $tell): array
    {
        if ($tell !== null) {
            $arguments['tell'] = $tell;
        }

        return $this->queries->{$question}(...$arguments);
    }

    /**
     * @param  resource  $connection
     * @param  array<mixed>  $arguments
     * @param  callable(array<mixed>): mixed  $tell
     * @return array<mixed>
     */
    private function there($connection, string $question, array $arguments, callable $tell): array
    {
        stream_set_timeout($connection, self::PATIENCE);
        fwrite($connection, json_encode([$question, $arguments], JSON_THROW_ON_ERROR)."\n");
        while (($line = fgets($connection)) !== false) {
            $said = (array) json_decode($line, true, 512, JSON_THROW_ON_ERROR);
            if (isset($said['trouble'])) {
                throw new Refused(PhraseJson::read((string) $said['trouble']), (string) $said['reason']);
            }
            if (isset($said['answer'])) {
                fclose($connection);

                return (array) $said['answer'];
            }
            $tell((array) ($said['tell'] ?? []));
        }
        throw new RuntimeException("the process that keeps the plan did not answer '{$question}'");
    }

    /** @return resource|null */
    private function connection()
    {
        $connection = $this->socket === null ? false : @stream_socket_client("unix://{$this->socket}", $number, $message, 1);

        return $connection === false ? null : $connection;
    }
}
