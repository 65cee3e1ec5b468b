using System.Net;

namespace Yardang.Web.Tests.Access;

public sealed class SignInTests : IAsyncDisposable
{
    private readonly TestSchool _school = new();

    [Fact]
    public async Task Eight_wrong_passwords_hold_up_who_typed_them_and_never_the_teacher_at_a_device_of_theirs()
    {
        var teachers = _school.Visitor();
        var email = await NewAccountAsync(teachers);
        var other = await NewAccountAsync(_school.Visitor());
        for (var round = 0; round < 2; round++)
        {
            for (var i = 0; i < 8; i++) await TryAsync(email, "wrong-password");
            Assert.Contains("too many wrong passwords", await TryAsync(email, "bridge-over-brook"), StringComparison.Ordinal);
            Assert.Equal("", await TryAsync(email, "bridge-over-brook", teachers));
        }

        Assert.Equal("", await TryAsync(other, "bridge-over-brook"));
    }

    [Fact]
    public async Task At_a_device_of_the_teacher_too_guessing_comes_to_an_end()
    {
        var teachers = _school.Visitor();
        var email = await NewAccountAsync(teachers);
        for (var i = 0; i < 7; i++) Assert.Contains("is not right", await TryAsync(email, "wrong-password", teachers), StringComparison.Ordinal);
        Assert.Contains("too many wrong passwords", await TryAsync(email, "wrong-password", teachers), StringComparison.Ordinal);
    }

    [Fact]
    public async Task For_an_address_without_an_account_a_password_is_looked_at_all_the_same()
    {
        // What takes the time is the hash. Without it an answer comes some twenty times sooner; the quickest of several tells.
        var email = await NewAccountAsync(_school.Visitor());
        var (known, unknown) = (new List<double>(), new List<double>());
        for (var i = 0; i < 6; i++)
        {
            known.Add(await TimeOfAsync(email));
            unknown.Add(await TimeOfAsync($"nobody{i}@ostlebrook.example"));
        }

        Assert.True(unknown.Min() > known.Min() / 3, $"Known: {known.Min()} ms, unknown: {unknown.Min()} ms.");
    }

    [Fact]
    public async Task What_a_guest_began_comes_along_when_they_sign_in_to_an_account_that_they_have()
    {
        var email = await NewAccountAsync(_school.Visitor());
        var guest = _school.Visitor();
        using var begun = await TestSchool.PostAsync(guest, "/start", new() { ["way"] = "OneEach", ["paper"] = "Plain" });
        var lesson = begun.Headers.Location!.ToString().Split('/')[2];
        Assert.Equal("", await TryAsync(email, "bridge-over-brook", guest));
        using var boards = await guest.GetAsync($"/lesson/{lesson}", TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.OK, boards.StatusCode);
        Assert.Contains(lesson, await guest.GetStringAsync("/desk", TestContext.Current.CancellationToken), StringComparison.Ordinal);
        Assert.DoesNotContain("gone", await guest.GetStringAsync("/desk", TestContext.Current.CancellationToken), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task An_address_that_has_no_account_is_answered_as_a_wrong_password() =>
        Assert.Contains("is not right", await TryAsync("nobody@ostlebrook.example", "bridge-over-brook"), StringComparison.Ordinal);

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    // What the page said, or nothing if it let them in.
    private async Task<string> TryAsync(string email, string password, HttpClient? browser = null)
    {
        using var answer = await TestSchool.PostAsync(browser ?? _school.Visitor(), "/sign-in", new() { ["email"] = email, ["password"] = password });
        return answer.StatusCode == HttpStatusCode.Redirect ? "" : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
    }

    private async Task<double> TimeOfAsync(string email)
    {
        var browser = _school.Visitor();
        var form = await browser.GetStringAsync("/sign-in", TestContext.Current.CancellationToken);
        var fields = new FormUrlEncodedContent(new Dictionary<string, string> { ["email"] = email, ["password"] = "wrong-password", ["__RequestVerificationToken"] = TestSchool.TokenIn(form) });
        var started = System.Diagnostics.Stopwatch.GetTimestamp();
        using var answer = await browser.PostAsync("/sign-in", fields, TestContext.Current.CancellationToken);
        return System.Diagnostics.Stopwatch.GetElapsedTime(started).TotalMilliseconds;
    }

    private static async Task<string> NewAccountAsync(HttpClient browser)
    {
        var email = $"{Guid.NewGuid():N}@ostlebrook.example";
        await TestSchool.PostAsync(browser, "/sign-up", new() { ["name"] = "Ilse Varga", ["email"] = email, ["password"] = "bridge-over-brook" });
        return email;
    }
}
