using System.Collections.Immutable;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.ClassLists;
using Yardang.Core.Groups;
using Yardang.Core.Lessons;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Access;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;

namespace Yardang.Web.Pages;

/// <summary>Who is in a lesson, in which group, and what they see of each other.</summary>
[Authorize]
public sealed class PeopleModel(AccessResolver access, LessonPeople people, FrozenVersions versions, RoomHosts hosts, IDbContextFactory<SchoolContext> school, IStringLocalizer<UiTexts> texts) : PageModel
{
    private const int MostWishes = 500;

    public LessonRecord Lesson { get; private set; } = null!;

    public object Data { get; private set; } = new();

    /// <summary>Where groups make no difference, in words; null if they make one wherever somebody works.</summary>
    public string? GroupsFor { get; private set; }

    /// <summary>Whether names can be corrected on the class list, too.</summary>
    public bool HasList { get; private set; }

    /// <summary>For how many lessons groups are planned on the class list; 0 if they are not.</summary>
    public int Planned { get; private set; }

    public async Task<IActionResult> OnGetAsync(Guid id)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, id, Power.Runs) is not { } lesson || await access.StaffActorAsync(visitor, lesson.OwnerId, id) is not { } me) return NotFound();
        Lesson = lesson;
        GroupsFor = await SayGroupsAsync(lesson);
        Planned = (await PlanOfAsync(lesson)).Length;
        HasList = lesson.ClassListId is not null && await access.LessonAsync(visitor, id, Power.Owns) is not null;
        var all = PageData.Texts(
            texts, "People", "Opening", "CountOne", "Count", "GroupNamed", "Even", "EvenOne", "Uneven", "PickedNone", "Picked", "PickedOne", "RemoveOf", "RemoveOfOne", "NotRenamed", "TogetherWish", "ApartWish", "Made", "MadeExcept", "NotMade", "ChangedMeanwhile");
        Data = new { lesson = id, who = $"teacher-{visitor.TeacherId}", me = new { me.Number, me.IsStaff }, teachers = await people.TeachersAsync(lesson), wishes = await WishesAsync(lesson), people = await people.InAsync(id), texts = all };
        return Page();
    }

    /// <summary>So many groups, as chance and wishes make them. They hold once the page has put them into the lesson.</summary>
    public async Task<IActionResult> OnPostMakeAsync(Guid id, int count, string? together, string? apart)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is null) return NotFound();
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(id));
        int[] belonging = [.. plan.People.Values.Where(p => p.Belongs).Select(p => p.Number)];
        var wishes = WishesIn(together, apart);
        var levels = await people.LevelsAsync(id);
        var groups = GroupMaker.Make(belonging, count, wishes, p => levels.GetValueOrDefault(p), Random.Shared);
        return Made(groups, wishes);
    }

    /// <summary>The groups planned for a lesson of this class; if it is wished, without those who have not come, with the fewest changes.</summary>
    public async Task<IActionResult> OnPostPlannedAsync(Guid id, int nth, bool onlyHere, string? together, string? apart)
    {
        if (await access.LessonAsync(Visitor.Of(HttpContext), id, Power.Runs) is not { } lesson) return NotFound();
        var lessons = await PlanOfAsync(lesson);
        if (nth < 1 || nth > lessons.Length) return NotFound();
        await using var db = await school.CreateDbContextAsync();
        var numbers = await db.Participants.Where(p => p.LessonId == id && p.ListNumber != null).ToDictionaryAsync(p => p.ListNumber!.Value, p => p.Number);
        var plan = await LessonPlan.OfAsync(await hosts.GetAsync(id));
        var planned = lessons.Select(day => day.Select(group => group.Where(numbers.ContainsKey).Select(n => numbers[n]).ToImmutableArray()).ToImmutableArray()).ToImmutableArray();
        var away = planned[nth - 1].SelectMany(g => g).Where(n => !plan.People.TryGetValue(n, out var person) || (onlyHere ? person.Standing != Standing.In : !person.Belongs)).ToHashSet();
        var wishes = WishesIn(together, apart);
        return Made(Rotation.Without(planned, nth - 1, away, wishes), wishes);
    }

    /// <summary>What somebody is called from now on, wherever their name stands; by the owner of the class list also there.</summary>
    public async Task<IActionResult> OnPostRenameAsync(Guid id, int person, string? name, bool onList)
    {
        var visitor = Visitor.Of(HttpContext);
        if (await access.LessonAsync(visitor, id, Power.Runs) is not { } lesson) return NotFound();
        if (PersonName.Read(name) is not { } called) return new JsonResult(new { problem = texts["People.BadName", PersonName.MaxLength].Value });
        await using var db = await school.CreateDbContextAsync();
        if (await db.Participants.SingleOrDefaultAsync(p => p.LessonId == id && p.Number == person) is not { } participant) return NotFound();
        participant.Name = called;
        if (onList && participant.ListNumber is { } number && await access.LessonAsync(visitor, id, Power.Owns) is not null)
        {
            var entry = await db.ClassEntries.SingleOrDefaultAsync(e => e.ListId == lesson.ClassListId && e.Number == number);

            // A list of numbers stays one.
            if (entry is { Name.Length: > 0 }) entry.Name = called;
        }

        await db.SaveChangesAsync();
        await (await hosts.GetAsync(id)).SubmitAsync(new NoteNames(), Actor.Program);
        return new JsonResult(new { problem = (string?)null });
    }

    // With the wishes that they do not fulfil.
    private static JsonResult Made(ImmutableArray<ImmutableArray<int>> groups, Wishes wishes) =>
        new(new { groups, broken = wishes.BrokenBy(groups).Select(pair => new[] { pair.Item1, pair.Item2 }) });

    private static Wishes WishesIn(string? together, string? apart) => new([.. Pairs(together)], [.. Pairs(apart)]);

    // Those that are kept with the class list, in the numbers of this lesson.
    private async Task<IEnumerable<object>> WishesAsync(LessonRecord lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.ClassLists.SingleOrDefaultAsync(c => c.Id == lesson.ClassListId) is not { } list) return [];
        var numbers = await db.Participants.Where(p => p.LessonId == lesson.Id && p.ListNumber != null).ToDictionaryAsync(p => p.ListNumber!.Value, p => p.Number);
        var entries = await db.ClassEntries.Where(e => e.ListId == list.Id).Select(e => new ClassEntry(e.Number, e.Name, e.Level, e.Language)).ToListAsync();
        return [.. Of(list.Together, together: true), .. Of(list.Apart, together: false)];

        IEnumerable<object> Of(string lines, bool together) => WishLines.Read(lines, entries).Pairs
            .Where(pair => numbers.ContainsKey(pair.Item1) && numbers.ContainsKey(pair.Item2))
            .Select(pair => new { together, pair = new[] { numbers[pair.Item1], numbers[pair.Item2] } });
    }

    private async Task<ImmutableArray<ImmutableArray<ImmutableArray<int>>>> PlanOfAsync(LessonRecord lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.ClassLists.Where(c => c.Id == lesson.ClassListId).SingleOrDefaultAsync() is { } list ? ClassListShelf.PlanOf(list) : [];
    }

    private async Task<string?> SayGroupsAsync(LessonRecord lesson)
    {
        var parts = lesson.Parts.Where(lesson.Parts.IsByGroup).ToList();
        if (parts.Count == lesson.Parts.Length) return null;
        if (lesson.Parts.All(p => p.Way == Way.AllTogether)) return texts["People.AllTogether"];
        if (parts.Count == 0) return texts["People.NoPartByGroup"];
        var version = await versions.OfAsync(lesson.VersionId);
        return texts["People.GroupsFor", string.Join(", ", parts.Select(p => PartNames.Of(version.Find(p.Number)!, ContentLanguage.Current, texts)))];
    }

    // "2-3 4-5"
    private static IEnumerable<(int, int)> Pairs(string? text) => (text ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries).Take(MostWishes)
        .Select(pair => pair.Split('-'))
        .Where(pair => pair.Length == 2 && pair.All(n => int.TryParse(n, System.Globalization.CultureInfo.InvariantCulture, out _)))
        .Select(pair => (int.Parse(pair[0], System.Globalization.CultureInfo.InvariantCulture), int.Parse(pair[1], System.Globalization.CultureInfo.InvariantCulture)));
}
