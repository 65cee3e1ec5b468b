using Yardang.Core.Moderation;

namespace Yardang.Core.Tests.Moderation;

/// <summary>Word screens for games by chance, which find some of what is written there.</summary>
internal static class Screens
{
    private static readonly WordScreen?[] s_all = [.. Enum.GetValues<WhenFound>().Select(then => WordScreen.For(new(then, ForYoung: false, Details: false, ["idea", "said", "better", "perhaps", "pulls", "since", "beside"], [])))];

    /// <summary>Now and then a teacher looks at all first, or at what one of them writes.</summary>
    public static Approval? ApprovalAt(int turn) => (turn % 7) switch { 0 => new(ApprovalWhen.Always, [], LessonHours.Usual), 3 => new(ApprovalWhen.Always, [2], LessonHours.Usual), _ => null };

    /// <summary>One of them; null for none.</summary>
    public static WordScreen? At(int turn) => s_all[turn % s_all.Length];
}
