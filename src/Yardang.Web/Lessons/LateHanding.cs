using System.Collections.Immutable;
using System.Security.Cryptography;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Core.Activities;
using Yardang.Core.Boards;
using Yardang.Core.Editing;
using Yardang.Core.LateChanges;
using Yardang.Core.Lessons;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Data.School;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Lessons;

/// <summary>A page of a teacher's board.</summary>
/// <param name="Page">Its id.</param>
/// <param name="Number">Its place among the pages, from 1.</param>
/// <param name="Name">What it is called; may be empty.</param>
/// <param name="Count">How many things she put there.</param>
public sealed record OwnPage(long Page, int Number, string Name, int Count);

/// <summary>Hands pages and marks out while a lesson runs.</summary>
public sealed class LateHanding(IDbContextFactory<SchoolContext> school, ActivityMaking making, LateChangeShelf shelf, FrozenVersions versions, RoomHosts hosts, IStringLocalizer<UiTexts> texts)
{
    private const int LastClients = 1 << 18;

    /// <summary>What was handed out in a lesson, the latest first, with what it is.</summary>
    public async Task<IReadOnlyList<(LateChange Change, LateChangeRecord Record)>> OfAsync(Guid lesson)
    {
        var kept = await shelf.OfAsync(lesson);
        var room = await hosts.GetAsync(lesson);
        ImmutableArray<LateChange> changes = [];
        await room.LookAsync(r => changes = [.. ((Lesson)r).LateChanges.Values]);
        return [.. changes.Reverse().Select(c => (c, kept[c.Content]))];
    }

    /// <summary>How the activity in the workshop differs from what everybody in the lesson has. Empty also if the activity is gone.</summary>
    public async Task<IReadOnlyList<PageRevision>> RevisionsAsync(LessonRecord lesson)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.Activities.FindAsync(lesson.ActivityId) is not { } activity) return [];
        var given = (await OfAsync(lesson.Id)).Reverse().Where(c => c.Change is { IsForEverybody: true, TakenBack: false });
        return Revision.Of(await versions.OfAsync(lesson.VersionId), given.Select(c => LateChangeShelf.ContentOf(c.Record)), OfLesson(lesson, await making.ContentAsync(activity)));
    }

    // Pages of a part that was added since have no boards in this lesson.
    private static ActivityContent OfLesson(LessonRecord lesson, ActivityContent now)
    {
        ImmutableArray<Page> pages = [.. now.Pages.Where(p => lesson.FindPart(p.OfPart) is { Kind: PartKind.Pages })];
        var ids = pages.Select(p => p.Id).ToHashSet();
        return now with { Pages = pages, Marks = [.. now.Marks.Where(m => ids.Contains(m.Page))] };
    }

    /// <summary>Hands out pages as the workshop has them now.</summary>
    public async Task<Refusal?> HandOutPagesAsync(LessonRecord lesson, IReadOnlyCollection<long> pages, ImmutableArray<int> groups, ImmutableArray<int> people)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.Activities.FindAsync(lesson.ActivityId) is not { } activity) return Refusal.NotFound;
        var content = OfLesson(lesson, await making.ContentAsync(activity));
        var chosen = content.Pages.Where(p => pages.Contains(p.Id)).ToList();
        if (chosen.Count == 0) return Refusal.NoSuchPage;
        var name = string.Join(", ", chosen.Select(p => p.Name.For(ContentLanguage.Current) is { Length: > 0 } named ? named : texts["Late.PageAt", content.Pages.IndexOf(p) + 1].Value));
        return await HandOutAsync(lesson, name, new(content, [.. chosen.Select(p => p.Id)]), groups, people);
    }

    /// <summary>Hands out copies of marks of one board, on the same page of the others.</summary>
    /// <param name="lesson">The lesson.</param>
    /// <param name="board">On which board they stand.</param>
    /// <param name="marks">Their ids.</param>
    /// <param name="grip">Whether students may move the copies.</param>
    /// <param name="groups">The groups that get them.</param>
    /// <param name="people">The people who get them; everybody if neither are named.</param>
    public async Task<Refusal?> HandOutMarksAsync(LessonRecord lesson, Guid board, IReadOnlyCollection<long> marks, Grip grip, ImmutableArray<int> groups, ImmutableArray<int> people)
    {
        if (grip is not (Grip.Loose or Grip.Printed)) return Refusal.OutOfRange;
        ImmutableArray<Mark> copies = [];
        await (await hosts.GetAsync(board)).LookAsync(r => copies = Copies(((Board)r).Sheets, marks, grip));
        if (copies.IsEmpty) return Refusal.NotFound;
        return await HandOutAsync(lesson, texts[copies.Length == 1 ? "Late.MarksOne" : "Late.Marks", copies.Length], new(new ActivityContent(Texts.None, Texts.None, [], copies), []), groups, people);
    }

    /// <summary>The pages of a teacher's board on which she put something, in order.</summary>
    public async Task<IReadOnlyList<OwnPage>> OwnPagesAsync(Guid board)
    {
        IReadOnlyList<OwnPage> pages = [];
        await (await hosts.GetAsync(board)).LookAsync(r =>
        {
            var sheets = ((Board)r).Sheets;
            pages = [.. sheets.Pages.Select((page, i) => new OwnPage(page.Id, i + 1, page.Name.For(ContentLanguage.Current), OwnOn(sheets, page.Id).Count())).Where(p => p.Count > 0)];
        });
        return pages;
    }

    /// <summary>Hands out copies of all that a teacher put on a page of her board, on the same page of the others, where it stays.</summary>
    public async Task<Refusal?> HandOutOwnPageAsync(LessonRecord lesson, Guid board, long page, ImmutableArray<int> groups, ImmutableArray<int> people)
    {
        IReadOnlyCollection<long> marks = [];
        await (await hosts.GetAsync(board)).LookAsync(r => marks = [.. OwnOn(((Board)r).Sheets, page).Select(m => m.Id)]);
        return await HandOutMarksAsync(lesson, board, marks, Grip.Printed, groups, people);
    }

    private static IEnumerable<Mark> OwnOn(Sheets sheets, long page) =>
        sheets.Visible(page).Where(m => m.ByStaff && m.Grip != Grip.Key && !m.Body.BelongsToPage() && m.Body is not FieldAnswerBody && Ids.ClientOf(m.Id) < Ids.FirstDraftClient);

    /// <summary>Takes something back from all boards.</summary>
    public async Task TakeBackAsync(LessonRecord lesson, int number) => await (await hosts.GetAsync(lesson.Id)).SubmitAsync(new TakeLateChangeBack(number), Actor.Program);

    private async Task<Refusal?> HandOutAsync(LessonRecord lesson, string name, LateContent content, ImmutableArray<int> groups, ImmutableArray<int> people)
    {
        if (ContentRules.FaultInPart(content.Activity) is not null) return Refusal.OutOfRange;
        var room = await hosts.GetAsync(lesson.Id);
        var record = await shelf.KeepAsync(lesson.Id, name, content);
        var (decision, _) = await room.SubmitAsync(new HandOutLateChange(record.Id, groups, people), Actor.Program);
        return (decision as Decision.Refused)?.Reason;
    }

    // What is printed everywhere already is not printed twice.
    private static bool IsOfTheActivity(Mark mark) => mark.Grip == Grip.Printed && Ids.ClientOf(mark.Id) >= Ids.FirstDraftClient;

    // Under ids of a client number that no tab of a draft will ever have: one of the last there are. The very last is the answer key's.
    private static ImmutableArray<Mark> Copies(Sheets sheets, IReadOnlyCollection<long> ids, Grip grip)
    {
        var client = Ids.ClientLimit - RandomNumberGenerator.GetInt32(2, LastClients);
        var chosen = sheets.Marks.Values.Where(m => ids.Contains(m.Id) && m.Stands && m.Grip != Grip.Key && m.Body is not ZoneBody && !IsOfTheActivity(m)).OrderBy(m => m.Order).ToList();
        var renamed = chosen.Select((m, i) => (m.Id, New: Ids.Of(client, i + 1))).ToDictionary(p => p.Id, p => p.New);
        return
        [
            .. chosen.Where(m => m.Body.Ends().All(renamed.ContainsKey)).Select(m => m with
            {
                Id = renamed[m.Id],
                Author = Actor.Owner.Number,
                ByStaff = true,
                PutBy = 0,
                Grip = grip,
                Pinned = false,
                Tie = m.Tie == 0 ? 0 : renamed.GetValueOrDefault(m.Tie, renamed[m.Id]),
                Body = m.Body.WithEnds(id => renamed[id]),
            }),
        ];
    }
}
