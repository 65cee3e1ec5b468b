using System.Net;

namespace Yardang.Web.Tests.Access;

public sealed class SignInTests : IAsyncDisposable
{
    private readonly TestSchool _school = new();

    [Fact]
    public async Task Eight_wrong_passwords_hold_the_account_up_and_nobody_else()
    {
        var email = await NewAccountAsync();
        var other = await NewAccountAsync();
        for (var i = 0; i < 7; i++) Assert.Contains("is not right", await TryAsync(email, "wrong-password"), StringComparison.Ordinal);
        Assert.Contains("too many wrong passwords", await TryAsync(email, "wrong-password"), StringComparison.Ordinal);
        Assert.Contains("too many wrong passwords", await TryAsync(email, "bridge-over-brook"), StringComparison.Ordinal);
        Assert.Equal("", await TryAsync(other, "bridge-over-brook"));
    }

    [Fact]
    public async Task An_address_that_has_no_account_is_answered_as_a_wrong_password() =>
        Assert.Contains("is not right", await TryAsync("nobody@ostlebrook.example", "bridge-over-brook"), StringComparison.Ordinal);

    public ValueTask DisposeAsync() => _school.DisposeAsync();

    // What the page said, or nothing if it let them in.
    private async Task<string> TryAsync(string email, string password)
    {
        using var answer = await TestSchool.PostAsync(_school.Visitor(), "/sign-in", new() { ["email"] = email, ["password"] = password });
        return answer.StatusCode == HttpStatusCode.Redirect ? "" : await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
    }

    private async Task<string> NewAccountAsync()
    {
        var email = $"{Guid.NewGuid():N}@ostlebrook.example";
        await TestSchool.PostAsync(_school.Visitor(), "/sign-up", new() { ["name"] = "Ilse Varga", ["email"] = email, ["password"] = "bridge-over-brook" });
        return email;
    }
}
