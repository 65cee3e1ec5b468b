using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;
using Yardang.Core.Walls;

namespace Yardang.Core.InTray;

/// <summary>
/// One thing that waits for a teacher: all that somebody did to one card, answer, link or note, in order; or all that they drew, moved or took back, together.
/// It is decided as one.
/// </summary>
/// <param name="Person">Whose it is, by actor number.</param>
/// <param name="Id">The id of the card, answer, link or mark; 0 for what is drawn and done together.</param>
/// <param name="Works">What waits, in the order in which it came. At least one.</param>
public sealed record WaitingThing(int Person, long Id, ImmutableArray<LateWork> Works)
{
    /// <summary>Since when, server time in ms.</summary>
    public long Since => Works[0].At;

    /// <summary>What its author was told to mend; empty while it waits for the teacher.</summary>
    public string Returned => Works[^1].Returned;

    /// <summary>What was written last; empty for what is drawn.</summary>
    public string Words => Works.Select(w => WordsOf(w.Command)).LastOrDefault(words => words is not null) ?? "";

    /// <summary>Why it waits: because of what was found in it, before all else.</summary>
    public WhySetAside Why => Works.Any(w => w.Why == WhySetAside.Words) ? WhySetAside.Words : Works[0].Why;

    /// <summary>What was written, and what its author was told of it, as long as they had not written it otherwise.</summary>
    public IEnumerable<(string Words, string Returned)> Exchange => Works.Where(w => w.Returned.Length > 0 && WordsOf(w.Command) is not null).Select(w => (WordsOf(w.Command)!, w.Returned));

    /// <summary>The things that wait in a room, those that wait longest first.</summary>
    public static ImmutableArray<WaitingThing> In(IEnumerable<LateWork> works)
    {
        var things = works.OrderBy(w => w.Number).GroupBy(w => (Person: w.Actor.Number, Id: SubjectOf(w.Command))).ToLookup(g => g.Key.Id != 0 && g.Any(w => WordsOf(w.Command) is not null));
        var written = things[true].Select(g => new WaitingThing(g.Key.Person, g.Key.Id, [.. g]));
        var drawn = things[false].SelectMany(g => g).OrderBy(w => w.Number).GroupBy(w => w.Actor.Number).Select(g => new WaitingThing(g.Key, 0, [.. g]));
        return [.. written.Concat(drawn).OrderBy(t => t.Since).ThenBy(t => t.Works[0].Number)];
    }

    private static long SubjectOf(Command command) => command switch
    {
        PutUpCard put => put.Id,
        RewordCard reword => reword.Id,
        MoveCard move => move.Id,
        JoinCard join => join.Card,
        ColourCard colour => colour.Card,
        LayCard lay => lay.Card,
        GiveAnswer answer => answer.Id,
        RewordAnswer reword => reword.Id,
        LinkCards link => link.Id,
        RewordLink reword => reword.Id,
        AddMark add => add.Id,
        MakeChanges { Changes: [var first, ..] } => first.Target,
        _ => 0,
    };

    private static string? WordsOf(Command command) => command switch
    {
        PutUpCard put => put.Text,
        RewordCard reword => reword.Text,
        GiveAnswer answer => answer.Text,
        RewordAnswer reword => reword.Text,
        LinkCards link => link.Text,
        RewordLink reword => reword.Text,
        AddMark add => add.Body.Written()?.Text,
        MakeChanges(var changes) => changes.OfType<Wording>().LastOrDefault()?.Words.Text ?? changes.OfType<Remaking>().LastOrDefault()?.Body.Written()?.Text,
        _ => null,
    };
}
