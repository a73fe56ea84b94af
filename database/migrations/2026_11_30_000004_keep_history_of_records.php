<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What was done to each record, by its reference; the commits know the rest. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('commit_references', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('commit_id')->constrained()->cascadeOnDelete();
            $table->string('reference')->index();
            $table->text('sentence');
        });
        foreach (DB::table('commits')->orderBy('id')->cursor() as $commit) {
            $sentences = (array) json_decode((string) $commit->sentences, true);
            foreach (array_keys((array) json_decode((string) $commit->touched, true)) as $reference) {
                DB::table('commit_references')->insert([
                    'commit_id' => $commit->id, 'reference' => $reference, 'sentence' => implode('; ', array_slice($sentences, 0, 3)),
                ]);
            }
        }
    }

    public function down(): void
    {
        Schema::dropIfExists('commit_references');
    }
};
