namespace Yardang.Core.Attachments;

/// <summary>How long what is recorded may be: voices and films alike.</summary>
public static class Recordings
{
    /// <summary>The longest that a teacher may allow, ms.</summary>
    public const int Longest = 180_000;

    /// <summary>How long students may record where nobody has chosen, s.</summary>
    public const int UsualSeconds = 60;

    /// <summary>The least that a teacher may allow, s.</summary>
    public const int LeastSeconds = 10;

    /// <summary>A recording ends a little after it was told to, ms.</summary>
    public const int Tolerance = 1_500;

    /// <summary>Whether anything is so long, ms.</summary>
    public static bool IsDuration(int duration) => duration is > 0 and <= Longest + Tolerance;

    /// <summary>How long it is, in minutes and seconds: "0:07".</summary>
    /// <param name="duration">ms.</param>
    public static string Time(int duration) => Math.Max(1, (int)Math.Round(duration / 1_000.0)) is var seconds ? $"{seconds / 60}:{seconds % 60:00}" : "";
}
