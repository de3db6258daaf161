<?php

declare(strict_types=1);

namespace Lantern\Core\Rehearsal;

use Lantern\Core\Events\Outcome;
use Lantern\Core\Offers\Offer;
use Lantern\Core\Promises\Choice;
use Lantern\Core\Promises\ChoiceKind;

/** What somebody chooses to do, in words for the owner, with the person left out: “Fills in “Opt-in form””. */
final readonly class ChoiceWords
{
    private const SPANS = [10080 => ['a week', 'weeks'], 1440 => ['a day', 'days'], 60 => ['an hour', 'hours'], 1 => ['a minute',
        'minutes']];

    public function __construct(private Stage $stage)
    {
    }

    /** @param  Life  $life  as it is before they do it */
    public function of(Life $life, Choice $choice): string
    {
        $name = fn (string $id): string => '“'.($this->stage->plan->nameOf($id) === '' ? 'something that is gone'
            : $this->stage->plan->nameOf($id)).'”';

        return match ($choice->kind) {
            ChoiceKind::Come => 'Opens '.$name($choice->of === '' ? $this->stage->plan->entry()->id ?? '' : $choice->of).' by its address',
            ChoiceKind::Press => $this->press($life, $choice->to),
            ChoiceKind::Join => 'Fills in '.$name($choice->of).($choice->popup === '' ? '' : ' in the pop-up '.$name($choice->popup)),
            ChoiceKind::Confirm => 'Confirms their address by the link in the email',
            ChoiceKind::ClosePopup => 'Sees the pop-up '.$name($choice->of).' and closes it',
            ChoiceKind::Click => $choice->to === 'purchases' ? 'Opens what they bought, by the link in the receipt'
                : 'Follows '.Links::words($this->stage->plan, $this->link($life, $choice)).' in '.$name($choice->of),
            ChoiceKind::Buy => $this->buy($life),
            ChoiceKind::CardRefused => 'Pays with a card that is refused',
            ChoiceKind::Accept => 'Says yes to '.$this->offer($life),
            ChoiceKind::Decline => 'Says no',
            ChoiceKind::Attend => 'Comes to '.$name($choice->of).' and stays '.$this->stays($life, $choice),
            ChoiceKind::WatchReplay => 'Watches the replay of '.$name($choice->of),
            ChoiceKind::Read => $choice->to === '' ? 'Reads all of it' : 'Reads as far as '.$name($choice->to),
            ChoiceKind::Download => 'Downloads '.$name($choice->of),
            ChoiceKind::Unsubscribe => 'Unsubscribes',
            ChoiceKind::GetTag => "Gets the tag “{$choice->of}”",
            ChoiceKind::OtherDevice => 'Goes on with another device',
            ChoiceKind::Wait => match (true) {
                $choice->of !== '' => 'Waits until '.self::span(max(1, $choice->minutes)).' before '.$name($choice->of).' ends',
                $choice->minutes > 0 => 'Does nothing for '.self::span($choice->minutes),
                default => 'Waits for the next thing to happen',
            },
        };
    }

    public static function span(int $minutes): string
    {
        foreach (self::SPANS as $of => [$one, $many]) {
            if ($minutes % $of === 0) {
                return intdiv($minutes, $of) === 1 ? $one : intdiv($minutes, $of)." {$many}";
            }
        }

        return '';
    }

    /** The link that is followed: the first where none is named. */
    private function link(Life $life, Choice $choice): string
    {
        return $choice->to !== '' ? $choice->to : $life->mail('sequence', $choice->of)?->links($this->stage->plan)[0] ?? '';
    }

    private function press(Life $life, string $link): string
    {
        $to = substr($link, (int) strpos($link, ':') + 1);
        $outcome = str_starts_with($link, 'outcome:') ? Outcome::tryFrom($to) : null;
        $way = $outcome === null ? null : $this->stage->plan->way($life->page, $outcome);
        $name = $this->stage->plan->nameOf($outcome === null ? $to : $way->toPage ?? '');

        return match (true) {
            $outcome === Outcome::Chose => 'Chooses the offer',
            $outcome === Outcome::Declined => 'Says no thanks',
            default => $name === '' ? 'Follows the link' : "Follows the link to “{$name}”",
        };
    }

    private function buy(Life $life): string
    {
        $offer = $this->offerOn($life);

        return $offer === null ? 'Buys' : "Buys “{$offer->name}” for {$offer->price->words()}";
    }

    private function offer(Life $life): string
    {
        return '“'.($this->offerOn($life)->name ?? 'the offer').'”';
    }

    private function offerOn(Life $life): ?Offer
    {
        $page = $this->stage->plan->pageAs($life->page, $life->letter) ?? $this->stage->plan->page($life->page);

        return $page === null ? null : $this->stage->plan->offerOn($page);
    }

    private function stays(Life $life, Choice $choice): string
    {
        $attendee = Attending::attendee($this->stage, $life, $choice->of);

        return $attendee !== null && $choice->minutes * 60 >= $attendee->room->length ? 'to the end' : 'for '.self::span(max(1,
            $choice->minutes));
    }
}
