using System.Collections.Immutable;
using Yardang.Core.Editing;
using Yardang.Core.Judges;
using Yardang.Core.Marks;
using Yardang.Core.Moderation;
using Yardang.Core.Rooms;
using Yardang.Core.Threads;

namespace Yardang.Core.Boards;

/// <summary>What students write on boards, as the word screen looks at it. Ink is out of its reach.</summary>
internal static class BoardWords
{
    /// <summary>Looks at what is written in a command. What is written otherwise than in words in place (formulas, what a picture shows) cannot have dots: it waits instead.</summary>
    public static Screened Screened(Command command, WordScreen screen) => Rooms.Screened.Of(command, screen, Of(command), dots => command switch
    {
        AddMark add when dots.Count == 1 => Masked(add.Body, dots.GetValueOrDefault(0)) is { } body ? add with { Body = body } : null,
        MakeChanges(var changes) => Masked(changes, dots) is { } masked ? new MakeChanges(masked) : null,
        GiveAnswer answer => answer with { Text = dots[0] },
        RewordAnswer reword => reword with { Text = dots[0] },
        JudgeCard judge => judge with { Reason = dots.GetValueOrDefault(0, judge.Reason), Words = dots.GetValueOrDefault(1, judge.Words) },
        _ => null,
    });

    /// <summary>Whether a command puts something on the board that others can read or see. To move or rub out what stands there puts nothing there.</summary>
    public static bool SaysSomething(Command command) => command is AddMark or AddMarks or GiveAnswer or RewordAnswer || (command is MakeChanges(var changes) && changes.Any(c => c is Wording or Remaking));

    private static ImmutableArray<string> Of(Command command) => command switch
    {
        AddMark add => [.. Said(add.Body)],
        AddMarks(_, var marks) => [.. marks.SelectMany(m => Said(m.Body))],
        MakeChanges(var changes) => [.. changes.SelectMany(Said)],
        GiveAnswer answer => [answer.Text],
        RewordAnswer reword => [reword.Text],
        JudgeCard judge => [judge.Reason, judge.Words],
        _ => [],
    };

    private static IEnumerable<string> Said(Change change) => change switch
    {
        Wording wording => Said(wording.Words),
        Remaking remaking => Said(remaking.Body),
        _ => [],
    };

    private static IEnumerable<string> Said(MarkBody body) => body.Written() is { } words ? Said(words) : body.Said();

    // Lines are broken by whoever writes them, and could say something else than the text.
    private static IEnumerable<string> Said(Words words)
    {
        yield return words.Text;
        if (!AreAlike(words.Text, words.Lines)) yield return string.Join('\n', words.Lines);
        foreach (var also in words.Also ?? [])
        {
            yield return also.Text;
            if (!AreAlike(also.Text, also.Lines)) yield return string.Join('\n', also.Lines);
        }
    }

    private static bool AreAlike(string text, ImmutableArray<string> lines) => text.Where(c => !char.IsWhiteSpace(c)).SequenceEqual(lines.SelectMany(l => l).Where(c => !char.IsWhiteSpace(c)));

    private static MarkBody? Masked(MarkBody body, string? text) => body.Written() is { } words && text is not null ? body.With(Masked(words, text), (int)Math.Round(body.Box().Width), (int)Math.Round(body.Box().Height)) : null;

    private static ImmutableArray<Change>? Masked(ImmutableArray<Change> changes, IReadOnlyDictionary<int, string> dots)
    {
        var (masked, at) = (changes.ToBuilder(), 0);
        for (var i = 0; i < masked.Count; i++)
        {
            var said = Said(masked[i]).Count();
            for (var field = at; field < at + said; field++)
            {
                if (!dots.TryGetValue(field, out var text)) continue;
                if (masked[i] is not Wording wording || field > at) return null;
                masked[i] = wording with { Words = Masked(wording.Words, text) };
            }

            at += said;
        }

        return masked.ToImmutable();
    }

    // Line by line as it was: only letters are others.
    private static Words Masked(Words words, string text)
    {
        var (lines, at) = (new List<string>(words.Lines.Length), 0);
        foreach (var line in words.Lines)
        {
            var masked = line.ToCharArray();
            for (var i = 0; i < masked.Length; i++)
            {
                while (at < words.Text.Length && words.Text[at] != line[i]) at++;
                if (at < words.Text.Length) masked[i] = text[at++];
            }

            lines.Add(new(masked));
        }

        return words with { Text = text, Lines = [.. lines] };
    }
}
