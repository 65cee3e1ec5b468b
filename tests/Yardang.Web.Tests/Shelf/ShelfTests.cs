using System.Net;
using Microsoft.EntityFrameworkCore;
using Yardang.Core.Activities;
using Yardang.Core.Cupboard;
using Yardang.Core.Editing;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;
using Yardang.Core.Styles;
using Yardang.Data.School;
using Yardang.Rendering;
using Yardang.Web.Lessons;
using Yardang.Web.Rooms;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Shelf;

public class ShelfTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task An_activity_is_found_by_any_word_that_stands_in_it()
    {
        await using var school = new TestSchool();
        var (_, teacher) = await school.TeacherAsync("Ilse Varga");
        var trusses = await CreateAsync(school, teacher, "Triangles in trusses", "The keystone is missing");
        var log = await CreateAsync(school, teacher, "Load test log", "Put coins on it");
        var shelf = school.Get<ActivityShelf>();

        Assert.Equal([log.Id, trusses.Id], await FoundAsync(""));
        Assert.Equal([trusses.Id], await FoundAsync("KEYSTONE"));
        Assert.Equal([log.Id], await FoundAsync("load coins"));
        Assert.Empty(await FoundAsync("keystone coins"));

        await RenameAsync(school, log, "Paper bridges");
        Assert.Equal([log.Id], await FoundAsync("paper"));
        Assert.Empty(await FoundAsync("load"));

        async Task<IEnumerable<Guid>> FoundAsync(string words) => (await shelf.FindAsync(teacher, words, topic: null)).Select(a => a.Record.Id);
    }

    [Fact]
    public async Task On_the_desk_an_activity_has_its_name_in_the_language_of_whoever_looks()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var name = Texts.In("ar", "جسور من ورق").With("en", "Paper bridges").With("es", "Puentes de papel");
        await school.Get<ActivityMaking>().CreateAsync(teacher, ActivityContent.Blank("en", "") with { Name = name });
        foreach (var (language, said) in new[] { ("es", "Puentes de papel"), ("en", "Paper bridges"), ("fi", "Paper bridges") })
        {
            browser.DefaultRequestHeaders.Remove("Accept-Language");
            browser.DefaultRequestHeaders.Add("Accept-Language", language);
            Assert.Contains(said, await browser.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
        }
    }

    [Fact]
    public async Task What_is_put_in_the_bin_comes_out_again_and_its_lesson_goes_on()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var (activity, lesson) = await school.HandOutAsync(teacher);
        await TestSchool.PostAsync(browser, "/desk", [], $"/desk?handler=Bin&id={activity.Id}");
        Assert.DoesNotContain($"/workshop/{activity.Id}", await browser.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
        Assert.Contains("Take it out of the bin", await browser.GetStringAsync("/desk?bin=true", Stop), StringComparison.Ordinal);
        var (_, board) = await school.StudentAsync(lesson.Code, "Maya");
        Assert.StartsWith("/board/", board, StringComparison.Ordinal);

        await TestSchool.PostAsync(browser, "/desk?bin=true", [], $"/desk?handler=Restore&id={activity.Id}");
        Assert.Contains($"/workshop/{activity.Id}", await browser.GetStringAsync("/desk", Stop), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_double_is_an_activity_of_its_own_under_the_same_topic()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var activity = await CreateAsync(school, teacher, "Load test log", "Put coins on it");
        await TestSchool.PostAsync(browser, "/desk", new() { ["topic"] = " Bridges " }, $"/desk?handler=Topic&id={activity.Id}");
        await TestSchool.PostAsync(browser, "/desk", [], $"/desk?handler=Double&id={activity.Id}");

        var shelf = school.Get<ActivityShelf>();
        Assert.Equal(["Bridges"], await shelf.TopicsAsync(teacher));
        var found = await shelf.FindAsync(teacher, null, "bridges");
        Assert.Equal(["Load test log", "Load test log (copy)"], found.Select(a => a.Record.Name).Order());
        Assert.Equal(2, found.Select(a => a.Record.DraftId).Distinct().Count());
    }

    [Fact]
    public async Task Nobody_touches_an_activity_of_somebody_else()
    {
        await using var school = new TestSchool();
        var (_, owner) = await school.TeacherAsync("Ilse Varga");
        var (stranger, _) = await school.TeacherAsync("Sol Brandvold");
        var activity = await CreateAsync(school, owner, "Load test log", "Put coins on it");
        foreach (var handler in new[] { "Bin", "Restore", "Double", "Topic", "Template" })
        {
            using var answer = await TestSchool.PostAsync(stranger, "/desk", [], $"/desk?handler={handler}&id={activity.Id}");
            Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        }

        using var own = await TestSchool.PostAsync(stranger, "/new", [], $"/new?handler=Own&id={activity.Id}");
        Assert.Equal(HttpStatusCode.NotFound, own.StatusCode);
        Assert.Single(await school.Get<ActivityShelf>().FindAsync(owner, null, null));
    }

    [Fact]
    public async Task Going_back_to_a_version_keeps_what_was_there_and_touches_no_lesson()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        var activity = await CreateAsync(school, teacher, "Load test log", "Put coins on it");
        var making = school.Get<ActivityMaking>();
        var first = await making.ContentAsync(activity);
        await TestSchool.PostAsync(browser, $"/workshop/{activity.Id}/versions", new() { ["name"] = "First" }, $"/workshop/{activity.Id}/versions?handler=Keep");
        await RenameAsync(school, activity, "Paper bridges");

        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        var kept = await db.Versions.SingleAsync(Stop);
        await TestSchool.PostAsync(browser, $"/workshop/{activity.Id}/versions", [], $"/workshop/{activity.Id}/versions?handler=Restore&version={kept.Id}");

        Assert.Equal(ActivityJson.Write(first), ActivityJson.Write(await making.ContentAsync(activity)));
        var versions = await db.Versions.OrderBy(v => v.FrozenAt).Select(v => v.Name).ToListAsync(Stop);
        Assert.Equal("First", versions[0]);
        Assert.StartsWith("Before going back to", versions[1], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Every_template_begins_an_activity_with_places_to_fill_in_and_printed_words_that_fit()
    {
        await using var school = new TestSchool();
        var (browser, teacher) = await school.TeacherAsync("Ilse Varga");
        foreach (var template in Templates.All)
        {
            using var picture = await browser.GetAsync($"/template/{template.Key}.png", Stop);
            Assert.Equal("image/png", picture.Content.Headers.ContentType?.MediaType);
            using var answer = await TestSchool.PostAsync(browser, "/new", [], $"/new?handler=BuiltIn&key={template.Key}");
            Assert.StartsWith("/workshop/", answer.Headers.Location?.ToString(), StringComparison.Ordinal);
        }

        await using var db = await school.Get<IDbContextFactory<SchoolContext>>().CreateDbContextAsync(Stop);
        foreach (var activity in await db.Activities.Where(a => a.OwnerId == teacher).ToListAsync(Stop))
        {
            var content = await school.Get<ActivityMaking>().ContentAsync(activity);
            if (content.Steps[0].Wall is { } plan)
            {
                Assert.All(plan.Said(), words => Assert.DoesNotContain("Template", words, StringComparison.Ordinal));
                continue;
            }

            Assert.NotEmpty(FillIns.In(content));
            Assert.All(content.Pages, p => Assert.DoesNotContain("TemplatePage", p.Name.For("en"), StringComparison.Ordinal));
            Assert.All(content.Marks, m => Assert.DoesNotContain("OrganizerText", string.Concat(m.Words?.Text, (m.Body as ZoneBody)?.Name.For("en")), StringComparison.Ordinal));
        }
    }

    private static async Task RenameAsync(TestSchool school, ActivityRecord activity, string name)
    {
        var draft = await school.Get<RoomHosts>().GetAsync(activity.DraftId);
        await draft.SubmitAsync(new MakeChanges([new Naming(Texts.In("en", name))]), Actor.Program);
    }

    private static Task<ActivityRecord> CreateAsync(TestSchool school, Guid teacher, string name, string printed)
    {
        var text = new TextBody(1_000, 1_000, 9_000, 900, new Words(printed, "en", [printed], 700));
        var mark = new Mark(1, 1, 1, ByStaff: true, Grip.Printed, 1, text, new Style(0, 0), Place.AsDrawn, [], Erased: false);
        return school.Get<ActivityMaking>().CreateAsync(teacher, TextFit.Fit(ActivityContent.Blank("en", name) with { Marks = [mark] }));
    }
}
