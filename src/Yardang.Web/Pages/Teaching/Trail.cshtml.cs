using System.Globalization;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.History;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.History;
using Yardang.Web.Lessons;

namespace Yardang.Web.Pages;

/// <summary>What a student or a group did over all boards and walls of a lesson, with a way into the history of each at that moment.</summary>
[Authorize]
public sealed class TrailModel(AccessResolver access, Trails trails, LessonPeople people, SchoolClock clock, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>How wide a rest is on the strip, and a stretch at least; of a thousand.</summary>
    private const double RestWidth = 8;

    private const double LeastWidth = 4;

    public LessonRecord Lesson { get; private set; } = null!;

    /// <summary>Whose trail it is.</summary>
    public string Whose { get; private set; } = "";

    /// <summary>Whether it is a group's.</summary>
    public bool IsGroup { get; private set; }

    public Trail Trail { get; private set; } = null!;

    /// <summary>The boards and walls on it, in the order in which they were come to.</summary>
    public IReadOnlyList<LessonBoard> Boards { get; private set; } = [];

    private Dictionary<int, string> Names { get; set; } = [];

    /// <summary>What a board or wall is called.</summary>
    public string TitleOf(LessonBoard board) => board.Place.Whose == Core.Rooms.Whose.Together ? (Lesson.FindPart(board.Place.Part) is { Kind: Core.Activities.PartKind.Wall } ? texts["Circulate.EverybodysWall"] : board.Title) : board.Title;

    public string TitleOf(Guid room) => TitleOf(Boards.First(b => b.Id == room));

    /// <summary>From when to when.</summary>
    public string When(Stretch stretch) => stretch.To - stretch.From < 60_000 ? clock.Show(stretch.From) : texts["Trail.FromTo", clock.Show(stretch.From), clock.Second(stretch.To)[^8..^3]];

    /// <summary>The time of day of a step.</summary>
    public string TimeOf(TrailStep step) => clock.Second(step.Line.Time)[^8..];

    /// <summary>What was done, in words; in a group, with who did it.</summary>
    public string Did(TrailStep step) => IsGroup ? $"{Names.GetValueOrDefault(step.Line.Person, texts["History.Somebody"])} {texts.Did(step.Line)}" : Capital(texts.Did(step.Line));

    /// <summary>The history of the board or wall at that moment, with what they did.</summary>
    public string AddressOf(TrailStep step) => string.Create(CultureInfo.InvariantCulture, $"/lesson/{Lesson.Id}/board/{step.Room}/history#event={step.Line.Number}&person={step.Line.Person}");

    /// <summary>Where each stretch of a room lies on the strip: its place in the order, where it begins, and how wide it is; of a thousand. Rests are folded.</summary>
    public IEnumerable<(int Nth, string X, string Width)> BarsOf(Guid room)
    {
        var time = Math.Max(1.0, Trail.Stretches.Sum(s => s.To - s.From));
        var left = 1_000 - (RestWidth * (Trail.Stretches.Length - 1)) - (LeastWidth * Trail.Stretches.Length);
        var at = 0.0;
        foreach (var (nth, stretch) in Trail.Stretches.Index())
        {
            var width = LeastWidth + (Math.Max(0, left) * (stretch.To - stretch.From) / time);
            if (stretch.Room == room) yield return (nth, Number(at), Number(width));
            at += width + RestWidth;
        }

        static string Number(double n) => n.ToString("0.#", CultureInfo.InvariantCulture);
    }

    /// <summary>How wide the strip is in its own units: with very many rests it is wider than a thousand.</summary>
    public string StripWidth => Math.Max(1_000, ((RestWidth + LeastWidth) * Trail.Stretches.Length) - RestWidth).ToString("0.#", CultureInfo.InvariantCulture);

    public async Task<IActionResult> OnGetAsync(Guid lesson, int? person, int? group)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, lesson, Power.Watches) is not { } record) return NotFound();
        Lesson = record;
        Names = (await people.InAsync(lesson)).ToDictionary(p => p.Number, p => p.Name);
        IReadOnlyCollection<int> whose;
        if (group is { } asked)
        {
            if (await trails.GroupAsync(lesson, asked) is not { } found) return NotFound();
            (Whose, IsGroup, whose) = (found.Name, true, found.People);
        }
        else
        {
            if (!Names.TryGetValue(person ?? 0, out var name)) return NotFound();
            (Whose, whose) = (name, [person!.Value]);
        }

        var (trail, boards) = await trails.OfAsync(visitor, record, whose);
        (Trail, Boards) = (trail, [.. trail.Stretches.Select(s => s.Room).Distinct().Select(r => boards[r])]);
        return Page();
    }

    private static string Capital(string words) => words.Length == 0 ? words : $"{char.ToUpper(words[0], CultureInfo.CurrentCulture)}{words[1..]}";
}
