<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Person;
use App\People\Consent\Suppressions;
use App\Support\Ids;
use App\Support\Instant;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Lantern\Core\Messages\MessageKind;
use Lantern\Core\Messages\MessageState;
use Lantern\Core\Orders\FactType;
use Lantern\Core\Orders\PaymentState;

/**
 * Forgets a person for good. What says who they were goes: the record, answers, addresses, emails, notes and the
 * browsers they used. What happened stays as numbers, under an id that leads to nobody. Whether they must not be written
 * to is kept as a hash, or the next import would undo it.
 */
final class Erase
{
    public function person(Person $person): void
    {
        DB::transaction(function () use ($person): void {
            $now = Instant::sql(CarbonImmutable::now());
            $id = $person->id;
            $why = $person->suppressed ?? ($person->unsubscribed_at === null ? null : 'unsubscribed');
            if ($why !== null) {
                Suppressions::add($person->business_id, $person->email, $why);
            }
            foreach (DB::table('visitor_person')->where('person_id', $id)->pluck('visitor') as $visitor) {
                // The browser still carries its id: what it did is kept under another one.
                $other = bin2hex(random_bytes(16));
                DB::table('events')->where('visitor', $visitor)->update(['visitor' => $other]);
                DB::table('experiment_people')->where('visitor', $visitor)->update(['visitor' => $other]);
                DB::table('popup_facts')->where('visitor', $visitor)->update(['visitor' => null]);
                DB::table('popup_visits')->where('visitor', $visitor)->delete();
                DB::table('submissions')->where('visitor', $visitor)->update(['visitor' => null]);
            }
            DB::table('outbox')->whereIn('message_id', DB::table('messages')->where('person_id', $id)->select('id'))->delete();
            DB::table('messages')->where('person_id', $id)->where('state', MessageState::Waiting)->delete();
            $this->toldOrTried($id);
            DB::table('hook_calls')->whereIn('submission_id', DB::table('submissions')->where('person_id', $id)->select('id'))->delete();
            DB::table('confirmations')->whereIn('submission_id', DB::table('submissions')->where('person_id', $id)->select('id'))->delete();
            $this->bought($id);
            foreach (PersonTables::all() as $table) {
                $table->erase($id);
            }
            DB::table('import_refusals')->where('raw', 'like', '%'.addcslashes($person->email, '%_\\').'%')
                ->whereIn('import_id', DB::table('imports')->where('business_id', $person->business_id)->select('id'))
                ->update(['raw' => '']);
            DB::table('people')->where('id', $id)->update(['email' => '', 'email_key' => 'erased:'.Ids::next(), 'mailbox' => '',
                'first_name' => '',
                'last_name' => '', 'first_key' => '', 'last_key' => '', 'found_by' => '', 'sorted_by' => '', 'phone' => '',
                'timezone' => null, 'language' => null,
                'import_id' => null, 'erased_at' => $now, 'unsubscribed_at' => $now, 'updated_at' => $now]);
        });
    }

    /** What was bought stays in the books as numbers. Receipts lose their buyer, payments what they can be charged by, plans their rest. */
    private function bought(string $id): void
    {
        $orders = DB::table('orders')->where('person_id', $id)->pluck('id');
        foreach (DB::table('receipts')->whereIn('order_id', $orders)->get(['id', 'content']) as $receipt) {
            $content = (array) json_decode((string) $receipt->content, true);
            DB::table('receipts')->where('id', $receipt->id)->update(['content' => json_encode(['buyer' => ['name' => '', 'email' => '']]
                + $content, JSON_THROW_ON_ERROR)]);
        }
        DB::table('payments')->whereIn('order_id', $orders)->where('state', PaymentState::Due->value)
            ->update(['state' => PaymentState::Cancelled->value]);
        DB::table('payments')->whereIn('order_id', $orders)->update(['method' => null, 'bank_url' => null]);
        DB::table('order_facts')->whereIn('order_id', $orders)->where('type', FactType::Noted->value)->update(['data' => null]);
        $about = fn () => DB::table('messages')->where('kind', MessageKind::SaleNotice->value)->whereIn('content->order', $orders);
        DB::table('outbox')->whereIn('message_id', $about()->select('id'))->delete();
        $about()->where('state', MessageState::Sent)->update(['subject' => '', 'html' => null, 'text' => null]);
    }

    /** Emails to the owner that told of them, and tests that were written as if to them. That they went out stays true. */
    private function toldOrTried(string $id): void
    {
        $about = fn (string $kind) => DB::table('messages')->where('kind', $kind)
            ->where(fn ($q) => $kind === 'test' ? $q->where('content->person', $id)
            : $q->whereRaw("exists (select 1 from json_each(messages.content, '$.submissions') as told join submissions on "
                .'submissions.id = told.value where submissions.person_id = ?)', [$id])->orWhere('content->warm', $id)
                ->orWhereRaw("exists (select 1 from json_each(messages.content, '$.readers') as told "
                    ."where json_extract(told.value, '$[0]') = ?)", [$id]));
        foreach (['notice', 'test'] as $kind) {
            DB::table('outbox')->whereIn('message_id', $about($kind)->select('id'))->delete();
            $about($kind)->where('state', MessageState::Sent)->update(['subject' => '', 'html' => null, 'text' => null]);
        }
        // A notice that waits is written without them when it goes; a test has been written already.
        $about('test')->update(['content' => null, 'state' => DB::raw("case state when 'waiting' then 'cancelled' else state end")]);
    }
}
