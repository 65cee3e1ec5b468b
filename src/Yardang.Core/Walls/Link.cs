using System.Text.Json.Serialization;
using Yardang.Core.Threads;

namespace Yardang.Core.Walls;

/// <summary>A link from a card to a card, with the words between them: "Load <i>pushes on</i> deck".</summary>
/// <param name="Id">Of the tab that made it (<see cref="Rooms.Ids"/>).</param>
/// <param name="From">The card at which it begins.</param>
/// <param name="To">The card to which it points.</param>
/// <param name="Word">The teacher's words that it says; 0 for its own, or none.</param>
/// <param name="Language">Of its own words: a BCP 47 tag; empty if it is not known.</param>
/// <param name="Text">Its own words; empty where it says the teacher's, or nothing.</param>
/// <param name="Author">Who made it, by actor number.</param>
/// <param name="ByStaff">Whether a teacher made it.</param>
/// <param name="DownBy">Who took it down, by actor number; 0 while it is up.</param>
public sealed record Link(long Id, long From, long To, long Word, string Language, string Text, int Author, bool ByStaff, int DownBy = 0)
{
    /// <summary>Most letters of its words.</summary>
    public const int TextLength = 60;

    /// <summary>Most links of a wall, those taken down included.</summary>
    public const int Most = 2_000;

    /// <summary>Most links of one person on a wall, those taken down included.</summary>
    public const int MostOfOne = 400;

    /// <summary>Whether it is up.</summary>
    [JsonIgnore]
    public bool IsUp => DownBy == 0;

    /// <summary>Whether it begins or ends at a card.</summary>
    public bool Touches(long card) => From == card || To == card;

    /// <summary>Whether a link can say this: the teacher's words, or its own on one line, or nothing.</summary>
    internal static bool CanSay(long word, string language, string text) =>
        word is >= 0 and < 1L << 53 && text.Length <= TextLength && (text.Length == 0 || !string.IsNullOrWhiteSpace(text)) && !text.AsSpan().ContainsAny('\n', '\r') && (word == 0 || text.Length == 0) && Statement.IsLanguage(language);
}
