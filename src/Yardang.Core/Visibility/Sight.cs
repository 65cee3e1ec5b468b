using System.Collections.Immutable;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.Visibility;

/// <summary>
/// What somebody sees of a room: the one rule, used for events, snapshots, exports and late work. It holds so that, for every reader, what a snapshot
/// shows them is the same as what the events that they were sent add up to.
/// </summary>
public static class Sight
{
    /// <summary>Whether somebody is sent an event. Who has left a room hears only of their own work.</summary>
    public static bool Of(Actor reader, Envelope e)
    {
        if (reader.HasLeft) return reader.Number == e.Actor.Number && !e.Actor.IsStaff;
        return reader.SeesAll || e.Audience switch
        {
            Audience.Everyone => true,
            Audience.Staff => reader.IsStaff,
            Audience.AuthorAndStaff => reader.Number == e.Actor.Number,
            Audience.NamedAndStaff => e.Event.Names(reader.Number) || (reader.IsStaff && reader.Number == e.Actor.Number),
            _ => false,
        };
    }

    /// <summary>An event as somebody is told it who is sent it, where no names are hidden.</summary>
    public static Envelope AsTold(Actor reader, Envelope e) => !reader.IsStaff && e.Event.AsTold(reader.Number) is { } told && !ReferenceEquals(told, e.Event) ? e with { Event = told } : e;

    /// <summary>Whether somebody sees a mark. What was rubbed out is seen by nobody but its author, who may want it back.</summary>
    public static bool Of(Actor reader, Mark mark) => mark.IsSeenBy(reader);

    /// <summary>A mark as somebody sees it: what is expected of a zone is for teachers.</summary>
    public static Mark AsSeen(Actor reader, Mark mark) => reader.IsStaff ? mark : mark.AsTold();

    /// <summary>Whether somebody sees a page.</summary>
    public static bool Of(Actor reader, Pages.Page page) => reader.IsStaff || !page.Erased;

    /// <summary>A step of a gesture as somebody knows it: of others' gestures only that there was one, so that one's own can be undone rightly.</summary>
    public static Step AsSeen(Actor reader, Gesture gesture, Step step) => reader.IsStaff || gesture.Actor == reader.Number
        ? step
        : step with { Before = Hidden.InPlaceOf(step.Before), After = Hidden.InPlaceOf(step.After) };

    /// <summary>Whether somebody sees a card. What was taken down is seen by its author and by teachers; so is every student's card while each sees only their own.</summary>
    public static bool Of(Actor reader, Card card, WallRules rules) =>
        reader.SeesAll || (card.Author == reader.Number && !card.ByStaff) || (card.IsUp && (card.ByStaff || !rules.OwnFirst)) || TookDown(reader, card);

    /// <summary>The same on a wall as it is now: where names are hidden, students see a classmate's card once it was let out, and as it was then.</summary>
    public static bool Of(Actor reader, Card card, Wall wall) =>
        Of(reader, card, wall.Plan.Rules) && (reader.SeesAll || wall.Out is not { } known || card.ByStaff || card.Author == reader.Number || (known.Cards.TryGetValue(card.Id, out var told) && told.IsUp && string.Equals(told.Text, card.Text, StringComparison.Ordinal)));

    /// <summary>A card as somebody sees it: an answer that was taken down is seen by its author and by teachers. Of what was removed its author is told that it is gone, and why.</summary>
    public static Card AsSeen(Actor reader, Card card)
    {
        if (card.Removed && !reader.IsStaff) return (card with { Text = "", Attachments = null, Responses = null, AskedToo = null }).With(a => a.Author == reader.Number && !a.ByStaff, a => AsSeen(reader, a));
        return reader.SeesAll || card.Said.All(a => a.IsUp) ? card : card.With(a => Of(reader, a) || (reader.IsStaff && (a.ByStaff || a.DownBy != a.Author)), a => AsSeen(reader, a));
    }

    /// <summary>An answer as somebody sees it.</summary>
    public static Answer AsSeen(Actor reader, Answer answer) => answer.Removed && !reader.IsStaff ? answer with { Text = "" } : answer;

    /// <summary>Whether somebody sees an answer where they see what it is about: what was taken down, its author and teachers.</summary>
    public static bool Of(Actor reader, Answer answer) => answer.IsUp || reader.SeesAll || (answer.Author == reader.Number && !answer.ByStaff);

    /// <summary>What is said to a mark, as somebody sees it; null if they see nothing of it.</summary>
    public static MarkThread? AsSeen(Actor reader, MarkThread thread) =>
        thread.Answers.Where(a => Of(reader, a)).Select(a => AsSeen(reader, a)).ToImmutableArray() is { IsEmpty: false } seen ? thread with { Answers = seen } : null;

    /// <summary>Whether a teacher, who may not know whose it is, knows of a card that is down: a teacher's, or one that a teacher took down.</summary>
    public static bool TookDown(Actor reader, Card card) => reader.IsStaff && !card.IsUp && (card.ByStaff || card.DownBy != card.Author);

    /// <summary>
    /// Whether somebody sees a link: teachers and its author; others while it is up between cards that they see. While each sees only their own, that is those of
    /// teachers between teachers' cards.
    /// </summary>
    public static bool Of(Actor reader, Link link, Wall wall) => Of(reader, link, wall.Cards, wall.Plan.Rules);

    /// <summary>The same, among these cards and by these rules.</summary>
    public static bool Of(Actor reader, Link link, IReadOnlyDictionary<long, Card> cards, WallRules rules)
    {
        if (reader.SeesAll || (link.Author == reader.Number && !link.ByStaff)) return true;
        if (!link.IsUp || !cards.TryGetValue(link.From, out var from) || !cards.TryGetValue(link.To, out var to) || !from.IsUp || !to.IsUp) return false;
        return !rules.OwnFirst || (link.ByStaff && from.ByStaff && to.ByStaff);
    }

    /// <summary>Whether somebody knows what a person said of a card: who said it, and teachers. What all said, in numbers, everybody knows once it was shown.</summary>
    public static bool Of(Actor reader, Judgement judgement) => reader.SeesAll || judgement.Person == reader.Number;

    /// <summary>Whether somebody knows that the word of a person does not count: they, and teachers.</summary>
    public static bool OfJudge(Actor reader, int person) => reader.SeesAll || person == reader.Number;

    /// <summary>Whether somebody knows where a person was: teachers of all, students of themselves.</summary>
    public static bool Of(Actor reader, Visit visit) => reader.SeesAll || visit.Person == reader.Number;

    /// <summary>Whether somebody knows where a person placed a card for themselves: who did, and teachers.</summary>
    public static bool Of(Actor reader, OwnPlace place) => reader.SeesAll || place.Person == reader.Number;

    /// <summary>Whether somebody knows where a person stands: who does, and teachers.</summary>
    public static bool Of(Actor reader, Stance stance) => reader.SeesAll || stance.Person == reader.Number;

    /// <summary>Whether somebody knows what a person is to read: who is to, and teachers.</summary>
    public static bool Of(Actor reader, ReadingList list) => reader.SeesAll || list.Person == reader.Number;

    /// <summary>Whether somebody knows how sentences may begin for a person: who it is, and teachers.</summary>
    public static bool Of(Actor reader, OwnStarters own) => reader.SeesAll || own.Person == reader.Number;

    /// <summary>Whether somebody knows when a person did something last on a wall: teachers of all, students of themselves.</summary>
    public static bool Of(Actor reader, LastAct act) => reader.SeesAll || act.Person == reader.Number;

    /// <summary>Whether somebody knows what a student told the teacher of: who did, and teachers.</summary>
    public static bool Of(Actor reader, Concern concern) => reader.SeesAll || (concern.Person == reader.Number && !reader.IsStaff);

    /// <summary>Whether somebody knows of work that waits for a decision.</summary>
    public static bool Of(Actor reader, LateWork late) => reader.SeesAll || late.Actor.Number == reader.Number;

    /// <summary>Whether somebody is told of a person of the lesson.</summary>
    public static bool Of(Actor reader, Person person) => reader.IsStaff || person.Number == reader.Number;

    /// <summary>Whether somebody is told when a teacher last opened a person's work.</summary>
    public static bool Of(Actor reader, LastVisit visit) => reader.IsStaff || visit.Person == reader.Number;

    /// <summary>Whether somebody is told what was said to some of the class.</summary>
    public static bool Of(Actor reader, Call call) => reader.IsStaff || call.IsFor(reader.Number);

    /// <summary>Whether somebody is told of a late change: who else was given something is no matter of a student's.</summary>
    public static bool Of(Actor reader, LateChange change) => reader.IsStaff || change.Received.Contains(reader.Number);

    /// <summary>A late change as somebody knows it.</summary>
    public static LateChange AsSeen(Actor reader, LateChange change) => reader.IsStaff
        ? change
        : new(change.Number, Guid.Empty, 0, [], [], [reader.Number]);

    /// <summary>Whether a mark is put out on paper and in files for students.</summary>
    public static bool OnPaper(Mark mark) => mark is { Stands: true, Grip: not Grip.Key };
}
