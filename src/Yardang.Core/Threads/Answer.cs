using System.Text.Json.Serialization;
using Yardang.Core.Attachments;
using Yardang.Core.Rooms;
using Yardang.Core.Wire;

namespace Yardang.Core.Threads;

/// <summary>What an answer says of what it is about. The numbers are on the wire.</summary>
public enum AnswerKind
{
    /// <summary>Anything.</summary>
    Plain = 0,

    /// <summary>What is good about it.</summary>
    Strength = 1,

    /// <summary>What it leaves open.</summary>
    Question = 2,
}

/// <summary>What somebody says to a card of a wall or a mark of a board, or to another answer to it. It is seen by whoever sees the card; of a mark, by all who are on the board.</summary>
/// <param name="Id">Of the tab in which it was written (<see cref="Rooms.Ids"/>); its own among those about one thing.</param>
/// <param name="To">The answer that it answers; 0 for the card or mark itself.</param>
/// <param name="Author">Whose it is, by actor number.</param>
/// <param name="ByStaff">Whether a teacher said it.</param>
/// <param name="Language">A BCP 47 tag; empty if it is not known.</param>
/// <param name="Text">What it says; with a voice also what is said in that, for those who cannot hear it: then it may be empty.</param>
/// <param name="SaidAt">When, server time in ms.</param>
/// <param name="DownBy">Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it.</param>
/// <param name="Aloud">Whether a teacher said it aloud: the text is a note of what was said, and may be empty.</param>
/// <param name="Says">What it says of what it is about.</param>
/// <param name="DownWhy">Why a teacher took it down, for its author; empty where nothing was said.</param>
/// <param name="Removed">Whether its author does not see it either; then they are told only that it is gone, and why.</param>
/// <param name="Shown">What is heard or seen with it, of the kinds of <see cref="Shows"/>; it has no words of its own. Null for nothing.</param>
public sealed record Answer(long Id, long To, int Author, bool ByStaff, string Language, string Text, long SaidAt, int DownBy = 0, [Since(2)] bool Aloud = false, [Since(3)] AnswerKind Says = AnswerKind.Plain, [Since(4)][property: JsonIgnore] string DownWhy = "", [Since(4)][property: JsonIgnore] bool Removed = false, [Since(5)] Attachment? Shown = null)
{
    /// <summary>Most answers about one thing, those taken down included.</summary>
    public const int MostAboutOne = 300;

    /// <summary>Most answers of one person in a room, those taken down included.</summary>
    public const int MostOfOne = 400;

    /// <summary>Most answers of a room, those taken down included.</summary>
    public const int Most = 20_000;

    /// <summary>What teachers can answer with, beside words.</summary>
    public const AttachmentKinds Shows = AttachmentKinds.Voices;

    /// <summary>Whether an answer can say this: something, and not too much; a note of what was said aloud, or is heard, may be empty.</summary>
    public static bool CanSay(string text, bool aloud, Attachment? shown) => aloud || shown is not null ? text.Length <= Limits.StatementLength : Statement.IsText(text);

    /// <summary>Whether an answer can show this: its words are those of the answer.</summary>
    public static bool CanShow(Attachment? shown) => shown is null || (Shows.HasFlag(shown.Kind()) && shown.IsValid() && shown.Said().Length == 0);

    /// <summary>The names in the media store that it shows.</summary>
    public IEnumerable<string> MediaNames() => Shown?.MediaNames() ?? [];

    /// <summary>Whether it is up.</summary>
    [JsonIgnore]
    public bool IsUp => DownBy == 0;
}
