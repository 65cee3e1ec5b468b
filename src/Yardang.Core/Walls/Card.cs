namespace Yardang.Core.Walls;

/// <summary>A slip of text on a wall.</summary>
/// <param name="Id">Of the tab that put it up (<see cref="Rooms.Ids"/>).</param>
/// <param name="Topic">Where it is now.</param>
/// <param name="PutUnder">Where it was put up.</param>
/// <param name="Author">Whose it is, by actor number.</param>
/// <param name="ByStaff">Whether a teacher put it up.</param>
/// <param name="Order">Smaller comes first in its topic.</param>
/// <param name="Language">A BCP 47 tag; empty if it is not known.</param>
/// <param name="Text">What it says. The first line may stand large.</param>
/// <param name="PutUpAt">When, server time in ms.</param>
/// <param name="DownBy">Who took it down, by actor number; 0 while it is up. Then only its author and teachers see it.</param>
public sealed record Card(long Id, long Topic, long PutUnder, int Author, bool ByStaff, double Order, string Language, string Text, long PutUpAt, int DownBy = 0)
{
    /// <summary>Most letters.</summary>
    public const int TextLength = 1_000;

    /// <summary>Most cards of one person on a wall, those taken down included.</summary>
    public const int MostOfOne = 400;

    /// <summary>Most cards of a wall, those taken down included.</summary>
    public const int Most = 10_000;

    /// <summary>Whether it is up.</summary>
    public bool IsUp => DownBy == 0;

    /// <summary>Whether a text can stand on a card: something, and not too much.</summary>
    public static bool IsText(string text) => text.Length <= TextLength && !string.IsNullOrWhiteSpace(text);
}
