using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Core.Groups;
using Yardang.Data.School;
using Yardang.Web.ClassLists;

namespace Yardang.Web.Pages;

/// <summary>Groups of a class for several lessons, so that partners repeat as little as possible; and the wishes that are kept with the class.</summary>
[Authorize]
public sealed class RotationModel(ClassListShelf shelf, IStringLocalizer<UiTexts> texts) : PageModel
{
    /// <summary>The largest class that is planned.</summary>
    public const int MostPeople = 60;

    /// <summary>The most lessons that are planned.</summary>
    public const int MostLessons = 15;

    private const int WishLength = 4_000;

    public ClassListRecord List { get; private set; } = null!;

    public IReadOnlyList<ClassEntry> Entries { get; private set; } = [];

    public string Together { get; private set; } = "";

    public string Apart { get; private set; } = "";

    public int Size { get; private set; } = 4;

    public int Lessons { get; private set; } = 5;

    public string? Problem { get; private set; }

    /// <summary>For each lesson its groups, of roster numbers.</summary>
    public ImmutableArray<ImmutableArray<ImmutableArray<int>>> Plan { get; private set; } = [];

    /// <summary>How often partners meet again, and how often they must at least.</summary>
    public (int Repeats, int Least) Meetings { get; private set; }

    /// <summary>Wishes that some lesson does not fulfil.</summary>
    public IReadOnlyList<string> Broken { get; private set; } = [];

    private Guid TeacherId => Guid.Parse(User.FindFirstValue(ClaimTypes.NameIdentifier)!);

    /// <summary>How somebody is called in the plan.</summary>
    public string NameOf(int number) => Entries.FirstOrDefault(e => e.Number == number) is { Name.Length: > 0 } entry ? entry.Name : texts["Slips.Number", number];

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        if (!await FindAsync(id)) return NotFound();
        (Together, Apart) = (List.Together, List.Apart);
        Show(ClassListShelf.PlanOf(List));
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(Guid id, int size, int lessons, string? together, string? apart)
    {
        if (!await FindAsync(id)) return NotFound();
        (Together, Apart, Size, Lessons) = (Cut(together), Cut(apart), size, lessons);
        var (keep, unknownTogether) = WishLines.Read(Together, Entries);
        var (part, unknownApart) = WishLines.Read(Apart, Entries);
        Problem = unknownTogether.Concat(unknownApart).ToList() is { Count: > 0 } unknown ? texts["Rotation.Unknown", string.Join(", ", unknown)].Value
            : Entries.Count is < 2 or > MostPeople ? texts["Rotation.TooMany", MostPeople].Value
            : size < 2 || size > Entries.Count || lessons is < 1 or > MostLessons ? texts["Rotation.OutOfRange", MostLessons].Value
            : null;
        if (Problem is not null)
        {
            Show(ClassListShelf.PlanOf(List));
            return Page();
        }

        // Some seconds of computing, away from the threads that answer others.
        var wishes = new Wishes(keep, part);
        var plan = await Task.Factory.StartNew(
            () => Rotation.Plan([.. Entries.Select(e => e.Number)], size, lessons, wishes, Random.Shared), HttpContext.RequestAborted, TaskCreationOptions.LongRunning, TaskScheduler.Default);
        await shelf.KeepPlanAsync(TeacherId, id, Together, Apart, plan.Lessons);
        return Redirect($"/classes/{id}/rotation");
    }

    private static string Cut(string? text) => (text ?? "").Trim() is var trimmed && trimmed.Length > WishLength ? trimmed[..WishLength] : trimmed;

    private void Show(ImmutableArray<ImmutableArray<ImmutableArray<int>>> plan)
    {
        Plan = plan;
        if (plan.IsEmpty) return;
        var wishes = new Wishes(WishLines.Read(List.Together, Entries).Pairs, WishLines.Read(List.Apart, Entries).Pairs);
        (Lessons, Size) = (plan.Length, plan[0].Max(g => g.Length));
        Meetings = (Rotation.RepeatsIn(plan, wishes), Rotation.LeastRepeatsFor(plan[0].Sum(g => g.Length), plan[0].Length, plan.Length));
        Broken = [.. plan.SelectMany(lesson => wishes.BrokenBy(lesson)).Distinct().Select(pair => $"{NameOf(pair.Item1)}, {NameOf(pair.Item2)}")];
    }

    private async Task<bool> FindAsync(Guid id)
    {
        if (await shelf.FindAsync(TeacherId, id) is not { } list) return false;
        List = list;
        Entries = await shelf.EntriesAsync(id);
        return true;
    }
}
