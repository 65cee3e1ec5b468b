using System.Net;
using Yardang.Web.Access;
using Yardang.Web.Lessons;
using Yardang.Web.Shelf;

namespace Yardang.Web.Tests.Access;

/// <summary>Passwords and three words at the door of a lesson.</summary>
public sealed class ComingInTests : IAsyncDisposable
{
    private readonly TestSchool _school = new();

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    [Theory]
    [InlineData("over the brook", HttpStatusCode.Redirect)]
    [InlineData(" over the brook ", HttpStatusCode.Redirect)]
    [InlineData("over the hill", HttpStatusCode.OK)]
    [InlineData(null, HttpStatusCode.OK)]
    public async Task A_lesson_with_a_password_lets_in_only_those_who_know_it(string? typed, HttpStatusCode expected)
    {
        var lesson = await HandOutAsync("over the brook");
        Assert.DoesNotContain("brook", lesson.PasswordHash!, StringComparison.Ordinal);
        using var answer = await TestSchool.PostAsync(_school.Visitor(), $"/join/{lesson.Code}", typed is null ? new() { ["name"] = "Maya" } : new() { ["name"] = "Maya", ["password"] = typed });
        Assert.Equal(expected, answer.StatusCode);
        Assert.Equal(expected == HttpStatusCode.Redirect ? 1 : 0, (await _school.Get<LessonPeople>().InAsync(lesson.Id)).Count);
    }

    [Fact]
    public async Task Three_words_open_the_board_of_their_owner_in_their_own_lesson_only()
    {
        var (lesson, elsewhere) = (await HandOutAsync(null), await HandOutAsync(null));
        var (maya, _) = await _school.Get<Joining>().JoinAsync(lesson, "Maya");
        var keys = _school.Get<ReentryKeys>();
        Assert.Equal(maya!.Id, (await keys.FindAsync(lesson.Id, keys.Of(maya).Text))!.Id);
        Assert.Null(await keys.FindAsync(elsewhere.Id, keys.Of(maya).Text));
    }

    [Fact]
    public async Task After_sixty_wrong_keys_a_lesson_takes_none_for_a_while_and_others_do_not_notice()
    {
        var (lesson, other) = (await HandOutAsync(null), await HandOutAsync(null));
        var (maya, _) = await _school.Get<Joining>().JoinAsync(lesson, "Maya");
        var (ben, _) = await _school.Get<Joining>().JoinAsync(other, "Ben");
        var keys = _school.Get<ReentryKeys>();
        for (var i = 0; i < 60; i++) Assert.Null(await keys.FindAsync(lesson.Id, "acorn acorn acorn"));
        Assert.True(keys.MustWait(lesson.Id));
        Assert.Null(await keys.FindAsync(lesson.Id, keys.Of(maya!).Text));
        Assert.NotNull(await keys.FindAsync(other.Id, keys.Of(ben!).Text));
    }

    [Fact]
    public async Task A_secret_of_the_server_outlives_it()
    {
        var lesson = await HandOutAsync(null);
        var (maya, _) = await _school.Get<Joining>().JoinAsync(lesson, "Maya");
        var again = new ReentryKeys(_school.Get<DataFolder>(), _school.Get<Microsoft.EntityFrameworkCore.IDbContextFactory<Data.School.SchoolContext>>(), TimeProvider.System);
        Assert.Equal(_school.Get<ReentryKeys>().Of(maya!), again.Of(maya!));
    }

    private async Task<Data.School.LessonRecord> HandOutAsync(string? password)
    {
        var (_, teacher) = await _school.TeacherAsync("Ilse Varga");
        var handing = _school.Get<Handing>();
        var making = _school.Get<ActivityMaking>();
        var activity = await making.CreateAsync(teacher, Core.Activities.ActivityContent.Blank("en", "Load test log"));
        return await handing.HandOutAsync(activity, new HandOutOrder("7 Amber", Password: password), "en");
    }
}
