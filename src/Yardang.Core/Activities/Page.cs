namespace Yardang.Core.Activities;

/// <summary>The ruling under everything on a page.</summary>
public enum Paper
{
    /// <summary>No ruling.</summary>
    Plain = 0,

    /// <summary>Squares of 5 mm.</summary>
    Squared = 1,

    /// <summary>Lines 8 mm apart.</summary>
    Ruled = 2,
}

/// <summary>A page's size, 1/100 mm.</summary>
public readonly record struct PageSize(int Width, int Height)
{
    /// <summary>A4 upright.</summary>
    public static readonly PageSize A4 = new(21_000, 29_700);

    /// <summary>A4 lying.</summary>
    public static readonly PageSize A4Wide = new(29_700, 21_000);

    /// <summary>Letter upright.</summary>
    public static readonly PageSize Letter = new(21_590, 27_940);

    /// <summary>Letter lying.</summary>
    public static readonly PageSize LetterWide = new(27_940, 21_590);

    /// <summary>A wide screen, 16:9.</summary>
    public static readonly PageSize Screen = new(33_867, 19_050);

    /// <summary>Whether both sides are between 50 mm and 2 m.</summary>
    public bool IsValid => Width is >= 5_000 and <= 200_000 && Height is >= 5_000 and <= 200_000;
}

/// <summary>One sheet of a board activity.</summary>
/// <param name="Id">Stays the same over versions.</param>
/// <param name="Name">What the page is called; may be empty.</param>
/// <param name="Size">1/100 mm.</param>
/// <param name="Paper">The ruling.</param>
public sealed record Page(int Id, Texts Name, PageSize Size, Paper Paper);
