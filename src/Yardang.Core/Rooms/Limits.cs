namespace Yardang.Core.Rooms;

/// <summary>The stated limits of marks, pages, rooms and messages.</summary>
public static class Limits
{
    /// <summary>People of a lesson: in, waiting or expected. Those who were sent away do not count.</summary>
    public const int People = 1_000;

    /// <summary>Points of one piece of ink; a longer stroke is several pieces of one gesture.</summary>
    public const int InkPoints = 512;

    /// <summary>Characters of one text or note.</summary>
    public const int TextLength = 4_000;

    /// <summary>Characters of an activity's or page's name.</summary>
    public const int NameLength = 120;

    /// <summary>Characters of directions.</summary>
    public const int DirectionsLength = 8_000;

    /// <summary>Marks on a room's pages, erased ones included.</summary>
    public const int Marks = 40_000;

    /// <summary>Marks in one command.</summary>
    public const int NewMarks = 500;

    /// <summary>Pages of an activity, those taken out included.</summary>
    public const int Pages = 400;

    /// <summary>Characters of the description of a picture.</summary>
    public const int DescriptionLength = 500;

    /// <summary>Characters of what somebody says in words: on a card, in an answer, in what is recorded.</summary>
    public const int StatementLength = 1_000;

    /// <summary>Characters of the text that is kept with a picture.</summary>
    public const int PictureTextLength = 20_000;

    /// <summary>Characters of a formula's source.</summary>
    public const int FormulaLength = 1_000;

    /// <summary>Characters of a formula's outline.</summary>
    public const int OutlineLength = 60_000;

    /// <summary>Expected marks, and accepted answers, of a zone.</summary>
    public const int Expected = 200;

    /// <summary>Corners of a shape.</summary>
    public const int Corners = 100;

    /// <summary>Changes in one command.</summary>
    public const int Changes = 10_000;

    /// <summary>Gestures of one person that can be undone.</summary>
    public const int Gestures = 100;

    /// <summary>Client numbers of one student in a room: one for each time that they opened the page. 1,000 people of 1,000 fit under <see cref="Ids.FirstDraftClient"/>.</summary>
    public const int ClientsOfStudent = 1_000;

    /// <summary>Client numbers of one teacher in a room: a lesson that lasts a year is opened many times a day.</summary>
    public const int ClientsOfStaff = 20_000;

    /// <summary>Commands of one person that wait on a board for the teacher's decision: more than anybody writes in a lesson without a network.</summary>
    public const int LateWork = 2_000;

    /// <summary>Points of ink and letters in them, together.</summary>
    public const int LateWorkSize = 500_000;

    /// <summary>Bytes of one command.</summary>
    public const int CommandBytes = 256 * 1024;

    /// <summary>How far outside the page a coordinate may lie, and the largest size of anything, 1/100 mm (2 m).</summary>
    public const int Reach = 200_000;
}
