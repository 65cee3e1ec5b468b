using System.Net;
using Yardang.Core.Activities;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.ClassLists;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.ClassLists;

/// <summary>A seating plan of a class, and what a lesson knows of it.</summary>
public class SeatsPageTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_plan_is_kept_with_the_class_and_the_boards_of_a_lesson_stand_by_it()
    {
        await using var school = new TestSchool();
        var (teacher, id) = await school.TeacherAsync("Ilse Varga");
        var lists = school.Get<ClassListShelf>();
        var list = await lists.KeepAsync(id, null, "7 Amber", [new(1, "Amara"), new(7, "Ben"), new(9, "Maya")]);
        using (var kept = await PostAsync(teacher, list, "2x3;1:1,2;7:2,3")) Assert.Equal(HttpStatusCode.Redirect, kept.StatusCode);
        Assert.Equal(new Seat(2, 3), SeatingPlan.Read((await lists.FindAsync(id, list))!.Seats)!.Seats[7]);
        var lesson = await HandOutAsync(school, id, await lists.FindAsync(id, list));
        Assert.Contains("\"seats\":{\"columns\":3,\"of\":{\"2\":[1,2],\"3\":[2,3]}}", await teacher.GetStringAsync($"/lesson/{lesson.Id}", Stop));
        Assert.Contains("\"seats\":null", await teacher.GetStringAsync($"/lesson/{(await HandOutAsync(school, id, null)).Id}", Stop));
    }

    [Theory]
    [InlineData("")]
    [InlineData("2x3;1:1,1;7:1,1")]
    [InlineData("99x3")]
    public async Task A_plan_that_cannot_be_is_refused_and_the_old_one_stays(string plan)
    {
        await using var school = new TestSchool();
        var (teacher, id) = await school.TeacherAsync("Ilse Varga");
        var list = await school.Get<ClassListShelf>().KeepAsync(id, null, "7 Amber", [new(1, "Amara"), new(7, "Ben")]);
        using (await PostAsync(teacher, list, "2x3;1:1,2"))
        {
            using var answer = await PostAsync(teacher, list, plan);
            Assert.Contains("Nothing was kept", await answer.Content.ReadAsStringAsync(Stop));
            Assert.Equal("2x3;1:1,2", (await school.Get<ClassListShelf>().FindAsync(id, list))!.Seats);
        }
    }

    private static async Task<LessonRecord> HandOutAsync(TestSchool school, Guid teacher, ClassListRecord? list)
    {
        var handing = school.Get<Handing>();
        var making = school.Get<ActivityMaking>();
        return await handing.HandOutAsync(await making.CreateAsync(teacher, ActivityContent.Blank("en", "Bridges")), new HandOutOrder("", ClassList: list), "en");
    }

    private static Task<HttpResponseMessage> PostAsync(HttpClient teacher, Guid list, string plan) => TestSchool.PostAsync(teacher, $"/classes/{list}/seats", new() { ["plan"] = plan });
}
