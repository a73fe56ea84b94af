<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * The steps of a draft that can be undone, what a commit touched, shortages that were accepted, material missed on the floor, saved views.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('drafts', function (Blueprint $table): void {
            $table->json('past')->nullable();
            $table->json('future')->nullable();
        });
        Schema::table('commits', function (Blueprint $table): void {
            $table->json('touched')->nullable();
        });
        Schema::create('accepted_shortages', function (Blueprint $table): void {
            $table->id();
            $table->string('identity')->unique();
            $table->string('reason');
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
        });
        Schema::create('missing_materials', function (Blueprint $table): void {
            $table->id();
            $table->string('order_code')->index();
            $table->string('line');
            $table->string('item_code');
            $table->date('until');
            $table->string('note');
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
            $table->timestamp('dealt_at')->nullable();
            $table->foreignId('dealt_by')->nullable()->constrained('users');
            $table->foreign('item_code')->references('code')->on('items');
        });
        Schema::create('saved_views', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('page', 40);
            $table->string('name', 80);
            $table->string('query', 1000);
            $table->unique(['user_id', 'page', 'name']);
        });
    }

    public function down(): void
    {
        foreach (['saved_views', 'missing_materials', 'accepted_shortages'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('commits', fn (Blueprint $table) => $table->dropColumn('touched'));
        Schema::table('drafts', fn (Blueprint $table) => $table->dropColumn(['past', 'future']));
    }
};
