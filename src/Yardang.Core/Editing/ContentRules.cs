using System.Collections.Immutable;
using Yardang.Core.Activities;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Core.Editing;

/// <summary>What is wrong with an activity that comes in one piece.</summary>
/// <param name="Sentence">In words, with the place.</param>
public sealed record ContentFault(string Sentence);

/// <summary>
/// The one validation of content in one piece, whoever it comes from: a draft's beginning, an archive, work brought in, a late change, the demo. It
/// allows what the rules for single commands allow (<see cref="Validity"/>), and nothing else.
/// </summary>
public static class ContentRules
{
    private const long LargestId = 1L << 53;

    /// <summary>The first thing that is wrong with an activity; null if nothing is.</summary>
    public static ContentFault? FaultIn(ActivityContent content)
    {
        if (content.Pages.IsEmpty && content.Steps.Any(p => p.Kind == PartKind.Pages)) return new("The activity has no page.");
        if (FaultInPart(content) is { } fault) return fault;
        var astray = content.Pages.Select((p, i) => (p.OfPart, Number: i + 1)).FirstOrDefault(p => content.Find(p.OfPart) is not { Kind: PartKind.Pages });
        if (astray.Number > 0) return new($"Page {astray.Number} is of a part that is not there, or of a wall.");
        var without = content.Steps.FirstOrDefault(s => s.Kind == PartKind.Pages && content.Pages.All(p => p.OfPart != s.Number));
        return without is null ? null : new($"Part {content.Steps.IndexOf(without) + 1} has no page.");
    }

    /// <summary>The same for a part of an activity, which may be marks alone that stand on pages, and hang on marks, that are elsewhere.</summary>
    public static ContentFault? FaultInPart(ActivityContent content)
    {
        if (content.Pages.Length > Limits.Pages) return new($"There are {content.Pages.Length} pages; an activity has at most {Limits.Pages}.");
        if (content.Marks.Length > Limits.Marks) return new($"There are {content.Marks.Length} marks; an activity has at most {Limits.Marks}.");
        if (!content.Name.IsWithin(Limits.NameLength)) return new($"The activity's name is longer than {Limits.NameLength} letters, or in too many languages.");
        if (!content.Directions.IsWithin(Limits.DirectionsLength)) return new($"The directions are longer than {Limits.DirectionsLength} letters, or in too many languages.");
        if (!Enum.IsDefined(content.Unit)) return new("The unit of length is unknown.");
        if (FaultIn(content.Steps) is { } fault) return new(fault);
        if (FaultIn(content.Phases ?? []) is { } wrong) return new(wrong);
        var pages = new HashSet<long>();
        for (var i = 0; i < content.Pages.Length; i++)
        {
            if (!IsId(content.Pages[i].Id) || !pages.Add(content.Pages[i].Id)) return new($"Page {i + 1} has no number of its own.");
            if (!Validity.IsValid(content.Pages[i])) return new($"Page {i + 1} has a size, paper, text or stimulus that no page can have.");
        }

        return FaultInMarks(content, pages);
    }

    /// <summary>What is wrong with the parts of an activity, in words; null if nothing is.</summary>
    public static string? FaultIn(ImmutableArray<Part> parts) => parts.IsEmpty ? "The activity has no part."
        : parts.Length > Part.Most ? $"There are {parts.Length} parts; an activity has at most {Part.Most}."
        : parts.Select(p => p.Number).Distinct().Count() < parts.Length ? "Two parts have the same number."
        : parts.Select(p => p.Fault()).FirstOrDefault(fault => fault is not null);

    /// <summary>What is wrong with the phases that are planned for a lesson, in words; null if nothing is.</summary>
    public static string? FaultIn(ImmutableArray<PlannedPhase> phases) =>
        phases.Length > PlannedPhase.Most ? $"There are {phases.Length} phases; at most {PlannedPhase.Most} are planned for an activity."
        : phases.Select(p => p.Fault()).FirstOrDefault(fault => fault is not null);

    private static ContentFault? FaultInMarks(ActivityContent content, HashSet<long> pages)
    {
        var marks = new Dictionary<long, Mark>();
        for (var i = 0; i < content.Marks.Length; i++)
        {
            var mark = content.Marks[i];
            if (!IsId(mark.Id) || !marks.TryAdd(mark.Id, mark)) return new($"Mark {i + 1} has no number of its own.");
            if (pages.Count > 0 && !pages.Contains(mark.Page)) return new($"Mark {i + 1} stands on a page that is not there.");
            if (!IsValid(mark)) return new($"Mark {i + 1} has a size, place, text or look that no mark can have.");
        }

        for (var i = 0; i < content.Marks.Length; i++)
        {
            var line = content.Marks[i];
            if (pages.Count > 0 && !line.Body.Ends().All(HoldsOn)) return new($"Mark {i + 1} connects what cannot be connected.");
            bool HoldsOn(long end) => marks.TryGetValue(end, out var there) && there.Page == line.Page && !there.Body.Ends().Any() && (line.Body is not FieldAnswerBody || there.Body is AnswerFieldBody);
        }

        return null;
    }

    private static bool IsValid(Mark mark) => Enum.IsDefined(mark.Grip) && mark.Author >= 0 && mark.PutBy >= 0 && !(mark.ByStaff && mark.PutBy > 0) && mark.Tie >= 0 && Validity.IsOrder(mark.Order)
        && Validity.IsValid(mark.Body, mark.Style, mark.Place, mark.Scale, mark.Cuts)
        && !(mark.Body.BelongsToPage() && !(mark.ByStaff && mark.Grip == Grip.Printed));

    private static bool IsId(long id) => id is > 0 and < LargestId;
}
