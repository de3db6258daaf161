<?php

declare(strict_types=1);

namespace App\People\Privacy;

use App\Models\Message;
use App\Models\Person;
use App\Models\Submission;
use App\Support\Instant;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use ZipArchive;

/** Everything that is known of one person, in one file: what they said, agreed to, did, got, and what was noted. */
final readonly class PersonArchive
{
    public function __construct(private WritesEmails $emails)
    {
    }

    /** @return string the path of a zip, to be deleted after it was sent */
    public function write(Person $person): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'lantern-person');
        $zip = new ZipArchive;
        if ($zip->open($path, ZipArchive::OVERWRITE | ZipArchive::CREATE) !== true) {
            throw new RuntimeException('The archive could not be written.');
        }
        $json = fn (mixed $what): string => json_encode($what,
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
        $values = PeopleExport::values([$person->id])[$person->id] ?? [];
        $more = [];
        foreach (PersonTables::all() as $table) {
            if ($table->archivedAs !== '') {
                $more[$table->archivedAs] = $table->archive($person->id);
            }
        }
        $zip->addFromString('person.json', $json(PeopleExport::person($person->load('tags'), $values) + $more + [
            'downloads' => DB::table('deliveries')->join('draft_parts', 'draft_parts.id', '=', 'deliveries.lead_magnet_id')
                ->where('person_id', $person->id)->get(['draft_parts.name as title', 'downloads', 'deliveries.created_at']),
        ]));
        $zip->addFromString('consent.json', $json(self::consent($person)));
        $zip->addFromString('events.json', $json(DB::table('events')->where('person_id', $person->id)->orderBy('at')
            ->get(['type', 'funnel_id', 'page_id', 'source', 'data', 'at'])));
        foreach (Message::query()->where('person_id', $person->id)->whereNotNull('sent_at')->orderBy('sent_at')->cursor() as $message) {
            [$name, $email] = $this->emails->written($message);
            $zip->addFromString("messages/{$name}", $email);
        }
        $zip->close();

        return $path;
    }

    /**
     * The proof of consent: each time they agreed, the words, where, when and from where.
     *
     * @return list<array<string, mixed>>
     */
    public static function consent(Person $person): array
    {
        return array_values(Submission::query()->with(['funnel', 'version'])->where('person_id', $person->id)->orderBy('submitted_at')
            ->get()->map(fn (Submission $s): array => [
                'submission' => $s->id, 'at' => Instant::json($s->submitted_at), 'funnel' => $s->funnel->name,
                'version' => $s->version->number,
                'page' => $s->version->plan()->page($s->page_id)?->name,
                'form' => $s->version->plan()->form($s->form_id)?->name, 'words' => $s->consent_words, 'agreed' => $s->consented,
                'marketingWords' => $s->marketing_words, 'marketing' => $s->marketing,
                'answers' => (object) $s->answers, 'source' => (object) ($s->source ?? []), 'address' => $s->ip,
                'browser' => $s->user_agent,
                'confirmedAt' => Instant::json($s->confirmed_at), 'confirmedFrom' => $s->confirmed_ip,
            ])->all());
    }
}
