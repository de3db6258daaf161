<?php

declare(strict_types=1);

namespace Lantern\Core\Funnel;

use Lantern\Core\Email\EmailPlan;
use Lantern\Core\Page\Looks;

/**
 * Builds a complete, connected plan for a goal from a private name and a title. The ids are handed in as a
 * function, so that the result depends on nothing but the arguments.
 */
final readonly class Starter
{
    /** @param  \Closure(): string  $newId */
    public function __construct(private Sender $sender, private \Closure $newId)
    {
    }

    /**
     * @param  string  $title  of what is given away, or of what is waited for
     * @param  LeadMagnet|null  $leadMagnet  what is given away; a waiting list has none
     */
    public function build(Goal $goal, string $name, string $title, string $address, ?LeadMagnet $leadMagnet): Plan
    {
        $words = StarterWords::for($goal, $title, $this->sender);
        $entry = $this->id();
        $after = $this->id();
        $form = new FormPlan($this->id(), $words['formName'], [
            new FormField(FieldKind::FirstName, 'First name', false),
            new FormField(FieldKind::Email, 'Email address', true),
        ], $words['button'], $words['consent'], false, [$words['tag']]);
        $pages = [
            new PagePlan($entry, PageRole::OptIn, 'Opt-in page', '', StarterPages::optIn($words, $form, $leadMagnet, $this->id(...))),
            new PagePlan($after, PageRole::ThankYou, 'Thank-you page', 'thank-you', StarterPages::thankYou($words, $leadMagnet, $this->id(...))),
        ];
        $emails = array_map(
            fn (array $e): EmailPlan => new EmailPlan($this->id(), $e['name'], $e['subject'], $e['body'], $e['delay']),
            $words['emails'],
        );

        return new Plan($this->id(), $name, $goal, $address, Looks::DEFAULT, null, $this->sender, $pages,
            [Way::toPage($entry, Outcome::Joined, $after)], [$form], $emails, $leadMagnet === null ? [] : [$leadMagnet]);
    }

    private function id(): string
    {
        return ($this->newId)();
    }
}
