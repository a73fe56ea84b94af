<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Studies, answers to messages, drafts and what was committed of them. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('studies', function (Blueprint $table): void {
            $table->id();
            $table->string('name')->unique();
            $table->json('parameters');
            $table->json('changes');
            $table->foreignId('user_id')->constrained();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
        Schema::table('runs', function (Blueprint $table): void {
            $table->unsignedBigInteger('study_id')->nullable()->index();
            $table->string('worker')->nullable();
        });
        Schema::table('plan_points', function (Blueprint $table): void {
            $table->bigInteger('stock_value')->default(0);
        });
        Schema::table('plan_messages', function (Blueprint $table): void {
            $table->string('identity')->default('');
            $table->string('facts')->default('');
            $table->unsignedInteger('risk_lines')->default(0);
            $table->bigInteger('risk_value')->default(0);
        });
        Schema::create('message_answers', function (Blueprint $table): void {
            $table->id();
            $table->string('identity')->unique();
            $table->string('facts');
            $table->string('state', 10);
            $table->date('until')->nullable();
            $table->string('reason');
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
        });
        Schema::table('order_lines', function (Blueprint $table): void {
            $table->boolean('cancelled')->default(false);
        });
        Schema::create('drafts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->unique()->constrained()->cascadeOnDelete();
            $table->json('lines');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
        });
        Schema::create('commits', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->json('sentences');
            $table->json('changes');
            $table->json('inverse');
            $table->timestamp('created_at');
            $table->timestamp('undone_at')->nullable();
            $table->foreignId('undone_by')->nullable()->constrained('users');
        });
    }

    public function down(): void
    {
        foreach (['commits', 'drafts', 'message_answers', 'studies'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('order_lines', fn (Blueprint $table) => $table->dropColumn('cancelled'));
        Schema::table('plan_messages', fn (Blueprint $table) => $table->dropColumn(['identity', 'facts', 'risk_lines', 'risk_value']));
        Schema::table('plan_points', fn (Blueprint $table) => $table->dropColumn('stock_value'));
        Schema::table('runs', function (Blueprint $table): void {
            $table->dropIndex(['study_id']);
            $table->dropColumn(['study_id', 'worker']);
        });
    }
};
