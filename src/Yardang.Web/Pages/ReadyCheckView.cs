using Yardang.Core.Lessons;

namespace Yardang.Web.Pages;

/// <summary>The ready check as the page shows it.</summary>
/// <param name="Activity">What is handed out.</param>
/// <param name="Lines">What will happen, and what was probably forgotten.</param>
/// <param name="HasLists">Whether the teacher has class lists to choose from.</param>
public sealed record ReadyCheckView(Guid Activity, IReadOnlyList<ReadyLine> Lines, bool HasLists)
{
    /// <summary>The parts by number and name, in order; none where there is one alone.</summary>
    public IReadOnlyList<(int Number, string Name)> Parts { get; init; } = [];

    /// <summary>What is said of a part, or of the whole.</summary>
    public IEnumerable<ReadyLine> Of(int? part, bool isWarning) => Lines.Where(l => l.IsWarning == isWarning && l.Part == part);

    /// <summary>What a part is called.</summary>
    public string NameOf(int part) => Parts.First(p => p.Number == part).Name;

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
        { Mark: { } mark } => InWorkshop($"mark-{mark}", line.Part),
        { Key: "TopicsWithoutHeading" or "HeadingsTooLong", Topic: { } topic } => InWorkshop($"heading-{topic}", line.Part),
        { Topic: { } topic } => InWorkshop($"prompt-{topic}", line.Part),
        { Key: "SealedAlone" } => InWorkshop("plan-sealed", line.Part),
        { Key: "EmptyStances" } => InWorkshop("stances", line.Part),
        { Key: "NoCriterion" } => InWorkshop("criterion", line.Part),
        { Key: "PlacesWithoutMap" or "UndescribedMap" } => InWorkshop("plan-map", line.Part),
        { Key: "NoQuestion" or "QuestionTooLong" } => InWorkshop("wall-question", line.Part),
        { Page: { } page } => InWorkshop($"page-{page}", line.Part),
        { Key: "PartsWithoutName" } => InWorkshop("part-name"),
        { Key: "Unfilled" } => InWorkshop("fill-ins"),
        { Key: "NoDirections" } => InWorkshop("directions"),
        { Key: "Untranslated" } => InWorkshop("languages-open"),
        _ => InWorkshop("name"),
    };

    private string InWorkshop(string place, int? part = null) => part is { } number ? $"/workshop/{Activity}?part={number}#{place}" : $"/workshop/{Activity}#{place}";
}
