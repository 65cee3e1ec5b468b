using Microsoft.AspNetCore.Identity;
using Yardang.Core.ClassLists;
using Yardang.Data.School;
using Yardang.Web.Access;

namespace Yardang.Web.Operating;

/// <summary>What an administrator does with accounts on the server itself. Passwords are never typed there: each account is given a link, with which its owner chooses one.</summary>
public static class AccountCommands
{
    /// <summary>Makes an account.</summary>
    public static async Task<Outcome> AddAsync(IServiceProvider services, string name, string email)
    {
        if (PersonName.Read(name) is not { } read) return Outcome.Refused($"\"{name}\" is no name. Say it like this: yardang account add \"Ana Duarte\" duarte@ostlebrook.example");
        using var scope = services.CreateScope();
        var teachers = scope.ServiceProvider.GetRequiredService<UserManager<Teacher>>();
        var teacher = new Teacher { Id = Guid.CreateVersion7(), DisplayName = read, UserName = email, Email = email };
        var made = await teachers.CreateAsync(teacher);
        return made.Succeeded
            ? Outcome.Done($"{read} has an account now. With this link, within a day, {read} chooses a password and is signed in:\n{await LinkAsync(services, teachers, teacher)}")
            : Outcome.Refused(made.Errors.Any(e => e.Code.StartsWith("Duplicate", StringComparison.Ordinal)) ? $"{email} has an account already. A link to choose another password: yardang account link {email}" : $"{email} is no e-mail address.");
    }

    /// <summary>Gives a link to choose another password.</summary>
    public static async Task<Outcome> LinkAsync(IServiceProvider services, string email)
    {
        using var scope = services.CreateScope();
        var teachers = scope.ServiceProvider.GetRequiredService<UserManager<Teacher>>();
        return await teachers.FindByEmailAsync(email) is { EndsAt: null } teacher
            ? Outcome.Done($"With this link, within a day, {teacher.DisplayName} chooses another password:\n{await LinkAsync(services, teachers, teacher)}")
            : Outcome.Refused($"Nobody here has the address {email}.");
    }

    /// <summary>Invites somebody to make an account themselves.</summary>
    public static Outcome Invite(IServiceProvider services, string email)
    {
        var invitations = services.GetRequiredService<Invitations>();
        if (invitations.SignUp is SigningUp.Closed) return Outcome.Refused("Nobody signs up here (Yardang:SignUp is closed). Make the account: yardang account add NAME EMAIL");
        return Outcome.Done($"With this link, within {Invitations.Holds.TotalDays:0} days, {email} makes an account:\n{At(services, invitations.PathFor(email))}");
    }

    private static async Task<string> LinkAsync(IServiceProvider services, UserManager<Teacher> teachers, Teacher teacher) =>
        At(services, $"/reset?teacher={teacher.Id}&token={Uri.EscapeDataString(await teachers.GeneratePasswordResetTokenAsync(teacher))}");

    private static string At(IServiceProvider services, string path) => $"{(services.GetRequiredService<IConfiguration>()["Yardang:Address"] ?? "http://localhost:5080").TrimEnd('/')}{path}";
}
