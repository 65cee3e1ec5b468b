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
        if (printed > 0) lines.Add(new("PrintedStays", Count: printed));
        if (activity.Name.IsEmpty) lines.Add(new("NoName", IsWarning: true));
        if (activity.Directions.IsEmpty) lines.Add(new("NoDirections", IsWarning: true));
        if (printed == 0) lines.Add(new("EmptyPage", IsWarning: true));
        return lines;
    }
}
