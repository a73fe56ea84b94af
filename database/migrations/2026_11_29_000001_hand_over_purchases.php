<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/**
 * A purchase from what a planner asks for to what its supplier has confirmed: requests, what was sent in which version, letters, and what
 * came back of it.
 */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('orders', function (Blueprint $table): void {
            $table->boolean('is_request')->default(false)->index()->comment('asked of purchasing, not an order yet');
            $table->timestamp('sent_at')->nullable();
            $table->text('text')->nullable()->comment('what it says to its supplier beside its lines');
        });
        Schema::table('order_lines', function (Blueprint $table): void {
            $table->bigInteger('confirmed_qty')->nullable()->comment('millionths');
            $table->date('confirmed_due')->nullable();
            $table->string('confirmed_how')->nullable();
            $table->timestamp('confirmed_at')->nullable();
        });
        Schema::create('purchase_requests', function (Blueprint $table): void {
            $table->id();
            $table->string('line_code')->index();
            $table->string('item_code');
            $table->string('site_code');
            $table->string('note')->default('');
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
            $table->timestamp('ordered_at')->nullable();
            $table->timestamp('returned_at')->nullable();
            $table->string('reason')->default('')->comment('for which it was given back');
            $table->foreignId('handled_by')->nullable()->constrained('users');
            $table->index(['item_code', 'site_code']);
        });
        Schema::create('order_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('order_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->longText('paper')->comment('all that it says, as JSON');
            $table->foreignId('user_id')->nullable()->constrained();
            $table->timestamp('created_at');
            $table->timestamp('sent_at')->nullable();
            $table->unique(['order_id', 'number']);
        });
        Schema::create('letters', function (Blueprint $table): void {
            $table->id();
            $table->string('kind');
            $table->string('supplier_code')->nullable();
            $table->string('order_code')->nullable()->index();
            $table->unsignedInteger('version')->nullable();
            $table->string('recipient');
            $table->string('subject');
            $table->text('body');
            $table->longText('files')->comment('JSON: name, type, content in base 64');
            $table->string('state')->index();
            $table->text('error')->nullable();
            $table->unsignedInteger('tries')->default(0);
            $table->foreignId('user_id')->constrained();
            $table->timestamp('created_at');
            $table->timestamp('sent_at')->nullable();
        });
        Schema::create('mailbox', function (Blueprint $table): void {
            $table->id();
            $table->string('recipient');
            $table->string('subject');
            $table->longText('message');
            $table->timestamp('created_at');
        });
    }

    public function down(): void
    {
        foreach (['mailbox', 'letters', 'order_versions', 'purchase_requests'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('order_lines', fn (Blueprint $table) => $table->dropColumn([
            'confirmed_qty', 'confirmed_due', 'confirmed_how', 'confirmed_at',
        ]));
        Schema::table('orders', function (Blueprint $table): void {
            $table->dropIndex(['is_request']);
            $table->dropColumn(['is_request', 'sent_at', 'text']);
        });
    }
};
