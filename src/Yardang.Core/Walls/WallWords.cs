using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Judges;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

/// <summary>What students write on walls, as the word screen looks at it.</summary>
internal static class WallWords
{
    /// <summary>Looks at what is written in a command. What is written beside words (what a picture shows, a formula) cannot have dots: it waits instead.</summary>
    public static Screened Screened(Command command, WordScreen screen) => Rooms.Screened.Of(command, screen, Of(command), dots => command switch
    {
        PutUpCard put when Only(dots) is { } text => put with { Text = text },
        RewordCard reword when Only(dots) is { } text => reword with { Text = text },
        GiveAnswer answer when Only(dots) is { } text => answer with { Text = text },
        RewordAnswer reword when Only(dots) is { } text => reword with { Text = text },
        LinkCards link when Only(dots) is { } text => link with { Text = text },
        RewordLink reword when Only(dots) is { } text => reword with { Text = text },
        JudgeCard judge => judge with { Reason = dots.GetValueOrDefault(0, judge.Reason), Words = dots.GetValueOrDefault(1, judge.Words) },
        _ => null,
    });

    /// <summary>Whether a command puts something up that others can read.</summary>
    public static bool SaysSomething(Command command) => command is PutUpCard or RewordCard or GiveAnswer or RewordAnswer or LinkCards or RewordLink;

    private static string? Only(IReadOnlyDictionary<int, string> dots) => dots.Count == 1 && dots.TryGetValue(0, out var text) ? text : null;

    private static ImmutableArray<string> Of(Command command) => command switch
    {
        PutUpCard put => [put.Text, .. Said(put.Attachments)],
        RewordCard reword => [reword.Text, .. Said(reword.Attachments)],
        GiveAnswer answer => [answer.Text],
        RewordAnswer reword => [reword.Text],
        LinkCards link => [link.Text],
        RewordLink reword => [reword.Text],
        JudgeCard judge => [judge.Reason, judge.Words],
        _ => [],
    };

    private static IEnumerable<string> Said(ImmutableArray<Attachment>? shown) => (shown ?? []).Select(a => a.Said());
}
