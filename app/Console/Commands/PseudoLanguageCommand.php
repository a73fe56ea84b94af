<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\PseudoLanguage;
use Illuminate\Console\Command;

/** Makes the made-up language of the files of English. */
final class PseudoLanguageCommand extends Command
{
    /** Its code: none that a language has. */
    public const CODE = 'xx';

    protected $signature = 'yposta:pseudo-language';

    protected $description = 'Write a made-up language, accented and a third longer, to look for words that stand in the code: APP_LOCALE=xx';

    public function handle(): int
    {
        $from = lang_path('en');
        $to = lang_path(self::CODE);
        is_dir($to) || mkdir($to);
        foreach (glob("{$from}/*.php") ?: [] as $file) {
            $sentences = (array) require $file;
            $kept = array_intersect_key($sentences, ['format' => true]); // how days and numbers are put together
            $all = [...PseudoLanguage::sayAll($sentences), ...$kept];
            file_put_contents($to.'/'.basename($file), "<?php\n\nreturn ".var_export($all, true).";\n");
        }
        $sentences = (array) json_decode((string) file_get_contents(lang_path('en.json')), true, 8, JSON_THROW_ON_ERROR);
        $all = json_encode(PseudoLanguage::sayAll($sentences), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        file_put_contents(lang_path(self::CODE.'.json'), $all);

        return self::SUCCESS;
    }
}
