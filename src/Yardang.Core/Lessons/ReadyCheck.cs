using Yardang.Core.Activities;
using Yardang.Core.Marks;

namespace Yardang.Core.Lessons;

/// <summary>A line of the ready check. The interface has a sentence for each.</summary>
/// <param name="Key">Names the sentence.</param>
/// <param name="IsWarning">Whether it is something probably forgotten, rather than something students will be able to do.</param>
/// <param name="Count">The number that the sentence mentions.</param>
public sealed record ReadyLine(string Key, bool IsWarning = false, int Count = 0);

/// <summary>What students will be able to do, and what was probably forgotten, before anything is handed out.</summary>
public static class ReadyCheck
{
    private const ToolSet EveryTool = ToolSet.Pen | ToolSet.Highlighter | ToolSet.Text | ToolSet.Note | ToolSet.Shape | ToolSet.Picture;

    /// <summary>The lines for handing out an activity.</summary>
    public static IReadOnlyList<ReadyLine> For(ActivityContent activity, Door door, Way way)
    {
        var printed = activity.Marks.Count(m => m.Grip == Grip.Printed);
        var lines = new List<ReadyLine>
        {
            new(way == Way.OneEach ? "OwnCopy" : "OneForAll"),
            new("WriteDrawTypeNote"),
            new("OnlyTheirOwn"),
            new(way == Way.OneEach ? "NotSeeOthers" : "SeeOthersWork"),
            new("YouSeeAll"),
            door == Door.Open ? new("DoorOpen") : new("DoorClosed", IsWarning: true),
        };
        var loose = activity.Marks.Count(m => m.Grip == Grip.Loose);
        var key = activity.Marks.Count(m => m.Grip == Grip.Key);
        var fewer = activity.Pages.Count(p => p.Withheld != ToolSet.None);
        var mute = activity.Pages.Count(p => (p.Withheld & EveryTool) == EveryTool);
        if (activity.Pages.Length > 1) lines.Add(new("Pages", Count: activity.Pages.Length));
        if (printed > 0) lines.Add(new("PrintedStays", Count: printed));
        if (loose > 0) lines.Add(new("LooseMoves", Count: loose));
        if (key > 0) lines.Add(new("KeyHidden", Count: key));
        if (fewer > 0) lines.Add(new("FewerTools", Count: fewer));
        if (mute > 0) lines.Add(new("NobodyCanWrite", IsWarning: true, Count: mute));
        if (activity.Name.IsEmpty) lines.Add(new("NoName", IsWarning: true));
        if (activity.Directions.IsEmpty) lines.Add(new("NoDirections", IsWarning: true));
        if (printed == 0) lines.Add(new("EmptyPage", IsWarning: true));
        return lines;
    }
}
