using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

// Why somebody cannot do what they wish to do; null if they can.
public sealed partial class Wall
{
    private Refusal? WhyNot(PutUpCard put, Actor actor, int client)
    {
        if (Ids.ClientOf(put.Id) != client || client == 0) return Refusal.Malformed;
        if (_cards.ContainsKey(put.Id)) return Refusal.Duplicate;
        if (!Plan.Has(put.Topic)) return Refusal.NotFound;
        if (!actor.IsStaff && Plan.Rules.OnlyGiven) return Refusal.NotAllowed;
        if (!actor.IsStaff && WhyNotUnder(put.Topic, actor) is { } elsewhere) return elsewhere;
        if (put.Spot is { } spot && !FieldPlan.Holds(spot)) return Refusal.OutOfRange;
        if (put.For < 0 || (put.For > 0 && (!actor.IsStaff || IsSealed))) return Refusal.NotAllowed;
        if (put.Poured < 0 || (put.Poured > 0 && (!actor.IsStaff || put.For > 0))) return Refusal.NotAllowed;
        if (put.Poured > 0 && _cards.Values.Any(c => c.Poured == put.Poured)) return Refusal.Duplicate;
        if (WhyNotShown(put.Language, put.Text, put.Attachments ?? [], actor) is { } why) return why;
        var author = put.For > 0 ? put.For : actor.Number;
        if (Plan.FieldShown is not null && _cards.Values.Count(c => c.IsUp) >= Tidying.MostCards) return Refusal.Full;
        if (_cards.Count >= Card.Most || _cards.Values.Count(c => c.Author == author) >= Card.MostOfOne) return Refusal.Full;
        return !actor.IsStaff && IsFull(actor.Number, put.Topic) ? Refusal.EnoughCards : null;
    }

    private Refusal? WhyNotUnder(long topic, Actor actor) => !Plan.IsFor(actor.Number, topic) ? Refusal.NotForYou : Visits.MayPutUp(Plan, actor.Number, topic) ? null : Refusal.NotHere;

    // What a card is to say and show. What it shows already it may go on showing, whatever the rules say since.
    private Refusal? WhyNotShown(string language, string text, ImmutableArray<Attachment> shown, Actor actor, Card? before = null)
    {
        if (!Card.CanSay(text, shown) || !Statement.IsLanguage(language)) return Refusal.OutOfRange;
        if (shown.IsEmpty) return null;
        if (!actor.IsStaff && !shown.All(a => MayShow(a) || (before?.Shown.Contains(a) ?? false))) return Refusal.NotAllowed;
        var more = Attachment.WeightOf(shown) - Attachment.WeightOf(before?.Shown ?? []);
        if (more <= 0) return null;
        var (all, theirs) = (more, more);
        foreach (var card in _cards.Values)
        {
            var weight = Attachment.WeightOf(card.Shown);
            all += weight;
            if (card.Author == (before?.Author ?? actor.Number)) theirs += weight;
        }

        return all > Card.MostShown || theirs > Card.MostShownByOne ? Refusal.Full : null;
    }

    // Places are shown on the map of this wall.
    private bool MayShow(Attachment attachment) => Plan.Rules.Shows.HasFlag(attachment.Kind()) && (attachment is not PlaceAttachment place || place.Map == Plan.Map)
        && attachment.Lasts() <= (Plan.Rules.VoiceSeconds * 1_000) + Recordings.Tolerance;

    // What is said too late counts no more: others may have seen the results meanwhile.
    private Refusal? WhyNot(JudgeCard judge, Actor actor, Situation situation)
    {
        if (actor.IsStaff) return Refusal.NotAllowed;
        if (actor.HasLeft || !situation.Lets(StudentActs.Judge, actor)) return Refusal.JudgingEnded;
        if (!_cards.TryGetValue(judge.Card, out var card) || !card.IsUp || IsHidden(card, actor)) return Refusal.NotFound;
        if (card.Author == actor.Number && !card.ByStaff) return Refusal.NotAllowed;
        return Judgements.WhyNot(Plan.Rules.Judging, judge, actor.Number, id => _cards.TryGetValue(id, out var other) && other.IsUp, Plan.TextsOf(card), Plan.Rules.MostJudged);
    }

    // A card that is up, and one's own; teachers may change all.
    private Refusal? Theirs(long id, Actor actor) => !_cards.TryGetValue(id, out var card) || !(card.IsUp || actor.IsStaff) || IsHidden(card, actor)
        ? Refusal.NotFound
        : actor.IsStaff || (card.Author == actor.Number && !card.ByStaff) ? card.IsUp ? null : Refusal.ChangedSince : Refusal.NotYours;

    private Refusal? WhyNotDown(TakeCardDown take, Actor actor) => !_cards.TryGetValue(take.Id, out var card) || IsHidden(card, actor) ? Refusal.NotFound
        : take.AsItsAuthor && (!SeesAll(actor) || card.ByStaff || take.Words.Length > 0 || take.Removes) ? Refusal.NotAllowed
        : AnswersDown.WhyNot(take.Words, take.Removes, actor) ?? (CardsDown.SaysAnew(take, card, actor) ? null : Theirs(take.Id, actor));

    private Refusal? WhyNotDown(TakeAnswerDown take, Actor actor) => !IsTalkedAbout(take.About, actor) ? Refusal.NotFound : take.AsItsAuthor && !SeesAll(actor) ? Refusal.NotAllowed : AnswersDown.WhyNot(take, Find(take.About, take.Id), actor);

    // While each sees only their own, a teacher's card that a student moves would stand there for all.
    private Refusal? WhyNotMoved(long id, Actor actor)
    {
        var why = Theirs(id, actor);
        return why == Refusal.NotYours && Plan is { Purpose: Purpose.Sort, Rules: { AnyMoves: true, OwnFirst: false } } && _cards[id].IsUp ? null : why;
    }

    private bool IsHidden(Card card, Actor actor) => (Plan.Rules.OwnFirst || Out?.Hides(card) == true) && !SeesAll(actor) && !card.ByStaff && card.Author != actor.Number;

    // The cards that somebody may know of where names are hidden; else all.
    private IReadOnlyDictionary<long, Card> KnownTo(Actor actor) => Out is null || SeesAll(actor) ? _cards : _cards.Where(c => !IsHidden(c.Value, actor)).ToDictionary();

    // What a teacher took down, its author cannot put back.
    private Refusal? WhyNotBack(long id, Actor actor)
    {
        if (!_cards.TryGetValue(id, out var card)) return Refusal.NotFound;
        if (!actor.IsStaff && (card.ByStaff || card.Author != actor.Number)) return Refusal.NotFound;
        if (card.IsUp) return Refusal.ChangedSince;
        if (actor.IsStaff) return null;
        if (card.DownBy != actor.Number) return Refusal.NotAllowed;
        return IsFull(actor.Number, card.Topic) ? Refusal.EnoughCards : null;
    }

    private Answer? Find(long card, long id) => _cards.TryGetValue(card, out var on) ? Talk.Find(on.Said, id) : null;

    // While each sees only their own, a student's answer to a teacher's card would be read by all.
    private Refusal? WhyNot(GiveAnswer answer, Actor actor, int client)
    {
        if (Ids.ClientOf(answer.Id) != client || client == 0) return Refusal.Malformed;
        if (!_cards.TryGetValue(answer.About, out var card) || !card.IsUp || IsHidden(card, actor)) return Refusal.NotFound;
        if (!actor.IsStaff && (!Plan.Rules.Answers || (Plan.Rules.OwnFirst && card.ByStaff))) return Refusal.NotAllowed;
        if (!actor.IsStaff && (WhyNotOfKind(answer, card, actor) ?? WhyNoMoreAnswers(actor)) is { } wrong) return wrong;
        return Talk.WhyNot(answer, card.Said, _cards.Values.SelectMany(c => c.Said), actor);
    }

    // One strength and one question to a card, from each; what is said to answers is free.
    private Refusal? WhyNotOfKind(GiveAnswer answer, Card card, Actor actor)
    {
        if (!Enum.IsDefined(answer.Says)) return Refusal.OutOfRange;
        if ((Plan.Rules.InPairs && answer.To == 0) != (answer.Says != AnswerKind.Plain)) return Refusal.NotAllowed;
        return SaidItBefore(card, answer.Says, actor) ? Refusal.ChangedSince : null;
    }

    private Refusal? WhyNoMoreAnswers(Actor actor) =>
        Plan.Rules.MostAnswers is > 0 and var most && _cards.Values.Sum(c => c.Said.Count(a => a.IsUp && !a.ByStaff && a.Author == actor.Number)) >= most ? Refusal.EnoughAnswers : null;

    private static bool SaidItBefore(Card card, AnswerKind says, Actor actor) =>
        says != AnswerKind.Plain && card.Said.Any(a => a.IsUp && a.Says == says && a.Author == actor.Number && !a.ByStaff);

    // To a card that is up; teachers may change all.
    private bool IsTalkedAbout(long on, Actor actor) => _cards.TryGetValue(on, out var card) && (card.IsUp || actor.IsStaff) && !IsHidden(card, actor);

    private Refusal? WhyNotBack(long on, long id, Actor actor)
    {
        if (!IsTalkedAbout(on, actor)) return Refusal.NotFound;
        return Talk.WhyNotBack(Find(on, id), actor) ?? (actor.IsStaff ? null : SaidItBefore(_cards[on], Find(on, id)!.Says, actor) ? Refusal.ChangedSince : WhyNoMoreAnswers(actor));
    }

    // Of what a classmate wrote: a card that is up, or an answer to it.
    private bool MayTellOf(long about, long answer, Actor actor) => _cards.TryGetValue(about, out var card) && card.IsUp && !IsHidden(card, actor)
        && (answer == 0 ? !card.ByStaff && card.Author != actor.Number : Find(about, answer) is { IsUp: true, ByStaff: false } said && said.Author != actor.Number);

    // By the same rules as work in time, but for what rests on work that waits too; and no more of one person than they can have written.
    private Refusal? WhyNotSetAside(Submission submission, Actor actor)
    {
        var theirs = _setAside.Values.Where(w => w.Actor.Number == actor.Number).ToList();
        if (theirs.Count >= Limits.LateWork || theirs.Sum(w => SizeOf(w.Command)) + SizeOf(submission.Command) > Limits.LateWorkSize) return Refusal.Full;
        bool Waits(long id) => theirs.Exists(w => w.Command is PutUpCard put && put.Id == id);
        bool Answered(long id) => theirs.Exists(w => w.Command is GiveAnswer answer && answer.Id == id);
        bool Linked(long id) => theirs.Exists(w => w.Command is LinkCards link && link.Id == id);
        static Refusal? Fault(string text, string language) => Statement.IsText(text) && Statement.IsLanguage(language) ? null : Refusal.OutOfRange;
        return submission.Command switch
        {
            PutUpCard put => Waits(put.Id) ? Refusal.Duplicate : WhyNot(put, actor, submission.Client),
            RewordCard reword when Waits(reword.Id) => WhyNotShown(reword.Language, reword.Text, reword.Attachments ?? [], actor),
            JoinCard join when Waits(join.Card) => null,
            ColourCard colour when Waits(colour.Card) => colour.Colour is < 0 or > WallPlan.Colours ? Refusal.OutOfRange : null,
            MoveCard move when Waits(move.Id) => Plan.Has(move.Topic) ? WhyNotUnder(move.Topic, actor) : Refusal.NotFound,
            TakeCardDown(var id, _, _, _) when Waits(id) => null,
            PutCardBack(var id) when Waits(id) => null,
            GiveAnswer answer when Answered(answer.Id) => Refusal.Duplicate,
            GiveAnswer answer when Waits(answer.About) || Answered(answer.To) => answer.Aloud || answer.Shown is not null ? Refusal.NotAllowed : Fault(answer.Text, answer.Language),
            RewordAnswer reword when Answered(reword.Id) => Fault(reword.Text, reword.Language),
            TakeAnswerDown(_, var id, _, _, _) when Answered(id) => null,
            PutAnswerBack(_, var id) when Answered(id) => null,
            LinkCards link when theirs.Exists(w => w.Command is LinkCards other && other.Id == link.Id) => Refusal.Duplicate,
            LinkCards link when Waits(link.From) || Waits(link.To) => Link.CanSay(link.Word, link.Language, link.Text) ? null : Refusal.OutOfRange,
            RewordLink reword when Linked(reword.Id) => Link.CanSay(reword.Word, reword.Language, reword.Text) ? null : Refusal.OutOfRange,
            ReverseLink(var id) when Linked(id) => null,
            TakeLinkDown(var id) when Linked(id) => null,
            PutLinkBack(var id) when Linked(id) => null,
            _ => (Decide(submission.Command, actor, submission.Client, Situation.Open) as Decision.Refused)?.Reason,
        };
    }

    // With those that wait for the teacher, a student has no more cards than each may have up.
    private bool WouldBeTooMany(Command command, Actor actor)
    {
        if (command is not PutUpCard put || Plan.Rules.Most == 0) return false;
        bool Counts(long topic) => !Plan.CountsPerTopic || topic == put.Topic;
        var waiting = _setAside.Values.Count(w => w.Actor.Number == actor.Number && w.Command is PutUpCard other && Counts(other.Topic));
        return UpOf(actor.Number, Plan.CountsPerTopic ? put.Topic : null) + waiting >= Plan.Rules.Most;
    }

    private static int SizeOf(Command command) => command switch
    {
        PutUpCard put => put.Text.Length + Attachment.WeightOf(put.Attachments ?? []),
        RewordCard reword => reword.Text.Length + Attachment.WeightOf(reword.Attachments ?? []),
        GiveAnswer answer => answer.Text.Length,
        RewordAnswer reword => reword.Text.Length,
        _ => 1,
    };

    // Where cards are counted under each topic, one's own goes to none where there are as many as each may have.
    private bool HasNoRoomFor(Card card, long topic, Actor actor) => Plan.CountsPerTopic && !actor.IsStaff && card.Author == actor.Number && !card.ByStaff && card.Topic != topic && IsFull(actor.Number, topic);

    private int UpOf(int person, long? topic = null) => _cards.Values.Count(c => c.IsUp && !c.ByStaff && c.Author == person && (topic is null || c.Topic == topic));

    // Whether somebody has up as many cards as each may: there, or altogether.
    private bool IsFull(int person, long topic) => Plan.Rules.Most > 0 && UpOf(person, Plan.CountsPerTopic ? topic : null) >= Plan.Rules.Most;

    // Behind those that everybody sees, and their own: so it says nothing of what they may not see.
    private double Behind(long topic, Actor actor) => Laying.Told(KnownTo(actor), Plan.Rules.OwnFirst, actor).Where(c => c.Topic == topic)
        .Select(c => Math.Floor(c.Order)).DefaultIfEmpty(0).Max() + 1;
}
