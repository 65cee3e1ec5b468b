using Yardang.Core.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The ready check as the page shows it.</summary>
/// <param name="Activity">What is handed out.</param>
/// <param name="Lines">What will happen, and what was probably forgotten.</param>
/// <param name="HasLists">Whether the teacher has class lists to choose from.</param>
public sealed record ReadyCheckView(Guid Activity, IReadOnlyList<ReadyLine> Lines, bool HasLists)
{
    /// <summary>The field of the form with which something is mended at once; null if it is mended in the workshop.</summary>
    public string? FieldOf(ReadyLine line) => line.Key switch
    {
        "DoorClosed" => "door-open",
        "DueButNotHandedIn" => "hands-in",
        "MaskedAndSeenAtOnce" => "masked",
        "NumberAndName" => "introduction-NumberAndName",
        "GroupsWithoutList" when HasLists => "list",
        _ => null,
    };

    /// <summary>Where it is mended otherwise: a place in the workshop, or the class lists.</summary>
    public string AddressOf(ReadyLine line) => line switch
    {
        { Key: "GroupsWithoutList" } => "/classes",
        { Mark: { } mark } => InWorkshop($"mark-{mark}"),
        { Key: "TopicsWithoutHeading", Topic: { } topic } => InWorkshop($"heading-{topic}"),
        { Topic: { } topic } => InWorkshop($"prompt-{topic}"),
        { Key: "NoQuestion" } => InWorkshop("wall-question"),
        { Page: { } page } => InWorkshop($"page-{page}"),
        { Key: "Unfilled" } => InWorkshop("fill-ins"),
        { Key: "NoDirections" } => InWorkshop("directions"),
        { Key: "Untranslated" } => InWorkshop("languages-open"),
        _ => InWorkshop("name"),
    };

    private string InWorkshop(string place) => $"/workshop/{Activity}#{place}";
}
