using Yardang.Core.Boards;
using Yardang.Core.InTray;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Core.Walls;

namespace Yardang.Core.PersonalData;

/// <summary>What has become of something that somebody did.</summary>
public enum KeptState
{
    /// <summary>It can be seen.</summary>
    Stands,

    /// <summary>It was taken down, and is kept.</summary>
    TakenDown,

    /// <summary>It was rubbed out, and is kept.</summary>
    RubbedOut,

    /// <summary>It waits for a teacher.</summary>
    Waits,
}

/// <summary>One thing that a room keeps of a person, besides its log.</summary>
/// <param name="Kind">A kind of mark (<see cref="Marks.MarkBody.Kinds"/>), or card, answer, link, reason (for a judgement), reply (to a teacher's question), hand.</param>
/// <param name="Words">What it says; empty for what is drawn.</param>
/// <param name="State">What has become of it.</param>
public sealed record KeptThing(string Kind, string Words, KeptState State)
{
    /// <summary>All that a room keeps of a person. Where names are for nobody that is nothing: nobody can tell what is theirs.</summary>
    /// <param name="room">A lesson, board or wall.</param>
    /// <param name="person">By actor number.</param>
    public static IEnumerable<KeptThing> Of(Room room, int person) => room.IsSealed ? [] : room switch
    {
        Board board => Of(board, person).Concat(Waiting(board, person)),
        Wall wall => Of(wall, person).Concat(Waiting(wall, person)),
        Lesson lesson => Of(lesson, person),
        _ => [],
    };

    private static IEnumerable<KeptThing> Waiting(IWorkRoom room, int person) =>
        WaitingThing.In(room.SetAside.Values.Where(w => w.Actor.Number == person)).Select(t => new KeptThing(room is Wall ? "card" : "ink", t.Words, KeptState.Waits));

    private static IEnumerable<KeptThing> Of(Board board, int person)
    {
        foreach (var mark in board.Sheets.Marks.Values.Where(m => m.Author == person && !m.ByStaff))
            yield return new(mark.Body.KindName(), mark.Words?.Text ?? string.Join(' ', mark.Body.Said()), mark.Erased ? KeptState.RubbedOut : mark.Stands ? KeptState.Stands : KeptState.TakenDown);
        foreach (var answer in board.Talk.All.SelectMany(t => t.Answers).Where(a => a.Author == person && !a.ByStaff))
            yield return new("answer", answer.Text, StateOf(answer.IsUp));
    }

    private static IEnumerable<KeptThing> Of(Wall wall, int person)
    {
        foreach (var card in wall.Cards.Values.Where(c => c.Author == person && !c.ByStaff))
            yield return new("card", card.Text.Length > 0 ? card.Text : string.Join(' ', card.Shown.Select(a => a.Said())), StateOf(card.IsUp));
        foreach (var answer in wall.Cards.Values.SelectMany(c => c.Said).Where(a => a.Author == person && !a.ByStaff))
            yield return new("answer", answer.Text, StateOf(answer.IsUp));
        foreach (var link in wall.Links.All.Values.Where(l => l.Author == person && !l.ByStaff)) yield return new("link", link.Text, StateOf(link.IsUp));
        foreach (var said in wall.Judgements.Given.Where(g => g.Person == person && g.Reason.Length > 0)) yield return new("reason", said.Reason, KeptState.Stands);
    }

    private static IEnumerable<KeptThing> Of(Lesson lesson, int person)
    {
        foreach (var reply in lesson.Questions.All.Values.SelectMany(q => q.Replies).Where(r => r.Person == person && r.Words.Length > 0)) yield return new("reply", reply.Words, KeptState.Stands);
        if (lesson.People.GetValueOrDefault(person) is { Words.Length: > 0 } hand) yield return new("hand", hand.Words, KeptState.Stands);
    }

    private static KeptState StateOf(bool isUp) => isUp ? KeptState.Stands : KeptState.TakenDown;
}
