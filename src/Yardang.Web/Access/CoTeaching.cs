using System.Net.Mail;
using System.Security.Cryptography;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Localization;
using Yardang.Data.School;
using Yardang.Web.Mail;
using Yardang.Web.Rooms;

namespace Yardang.Web.Access;

/// <summary>A co-teacher as the owner reads it.</summary>
/// <param name="Record">The invitation.</param>
/// <param name="Name">Who has accepted it; null while nobody has.</param>
public sealed record CoTeacher(CoTeacherRecord Record, string? Name);

/// <summary>What a lesson or activity is called, and whose it is.</summary>
public sealed record SharedWork(Guid Id, Guid OwnerId, string Name, bool IsLesson);

/// <summary>
/// Invites other teachers to a lesson or an activity. An invitation is a link, and holds for whoever opens it first: an address alone proves
/// nothing, since accounts are made without asking it.
/// </summary>
public sealed class CoTeaching(
    IDbContextFactory<SchoolContext> school, RoomHosts hosts, Outbox outbox, IDataProtectionProvider protection, TimeProvider clock, IStringLocalizer<UiTexts> texts)
{
    /// <summary>The most that are invited to one lesson or activity.</summary>
    public const int Most = 30;

    // Beyond the numbers of participants.
    private const int FirstNumber = 1_000_001;
    private static readonly char[] s_between = [' ', ',', ';', '\t', '\r', '\n', '<', '>', '"'];

    private readonly IDataProtector _protector = protection.CreateProtector("Yardang.CoTeachers.v1");

    /// <summary>The addresses in a pasted list: of any separators, with or without names. What holds no @ is taken for a name.</summary>
    public static IReadOnlyList<string> Addresses(string? pasted) =>
        [.. (pasted ?? "").Split(s_between, StringSplitOptions.RemoveEmptyEntries).Where(word => word.Contains('@', StringComparison.Ordinal)).Distinct(StringComparer.OrdinalIgnoreCase)];

    /// <summary>What a lesson or activity is called; null if there is none with this id.</summary>
    public async Task<SharedWork?> FindAsync(Guid of)
    {
        await using var db = await school.CreateDbContextAsync();
        return await db.Lessons.FindAsync(of) is { } lesson ? new(of, lesson.OwnerId, lesson.Title, IsLesson: true)
            : await db.Activities.FindAsync(of) is { } activity ? new(of, activity.OwnerId, activity.Name.Length > 0 ? activity.Name : texts["Desk.Unnamed"], IsLesson: false)
            : null;
    }

    /// <summary>Everybody who was invited.</summary>
    public async Task<IReadOnlyList<CoTeacher>> OfAsync(Guid of)
    {
        await using var db = await school.CreateDbContextAsync();
        var records = await db.CoTeachers.Where(c => c.OfId == of).OrderBy(c => c.Number).ToListAsync();
        var ids = records.Select(c => c.TeacherId).OfType<Guid>().ToList();
        var names = await db.Users.Where(u => ids.Contains(u.Id)).ToDictionaryAsync(u => u.Id, u => u.DisplayName);
        return [.. records.Select(c => new CoTeacher(c, c.TeacherId is { } teacher ? names.GetValueOrDefault(teacher) : null))];
    }

    /// <summary>Where an invitation is opened.</summary>
    public string LinkOf(CoTeacherRecord invitation) => $"/invited?key={Uri.EscapeDataString(_protector.Protect(invitation.Id.ToString()))}";

    /// <summary>Invites all addresses of a list; those who were invited before get the role.</summary>
    /// <returns>What is no address, in the order of the list; and whether there were too many.</returns>
    public async Task<(IReadOnlyList<string> Bad, bool TooMany)> InviteAsync(SharedWork shared, string inviter, IReadOnlyList<string> addresses, CoTeacherRole role)
    {
        var bad = addresses.Where(a => a.Length > 200 || !MailAddress.TryCreate(a, out var read) || !string.Equals(read.Address, a, StringComparison.Ordinal)).ToList();
        await using var db = await school.CreateDbContextAsync();
        var known = await db.CoTeachers.Where(c => c.OfId == shared.Id).ToListAsync();
        var fresh = new List<CoTeacherRecord>();
        foreach (var address in addresses.Except(bad, StringComparer.Ordinal))
        {
            if (known.Find(c => string.Equals(c.Email, address, StringComparison.OrdinalIgnoreCase)) is { } there)
            {
                there.Role = role;
                continue;
            }

            var number = known.Concat(fresh).Select(c => c.Number + 1).Append(FirstNumber).Max();
            fresh.Add(new CoTeacherRecord { Id = Guid.CreateVersion7(), OfId = shared.Id, Email = address, Role = role, Number = number, InvitedAt = clock.GetUtcNow() });
        }

        if (known.Count + fresh.Count > Most) return (bad, true);
        db.CoTeachers.AddRange(fresh);
        await db.SaveChangesAsync();
        foreach (var invitation in fresh) await outbox.PutAsync(invitation.Email, texts["Mail.Invited.Subject", shared.Name], texts[$"Mail.Invited.{role}", inviter, shared.Name], LinkOf(invitation));
        await RecallAsync(shared, known.Select(c => c.Number));
        return (bad, false);
    }

    /// <summary>Gives another role.</summary>
    public async Task SetRoleAsync(SharedWork shared, Guid invitation, CoTeacherRole role)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.CoTeachers.SingleOrDefaultAsync(c => c.Id == invitation && c.OfId == shared.Id) is not { } record) return;
        record.Role = role;
        await db.SaveChangesAsync();
        await RecallAsync(shared, [record.Number]);
    }

    /// <summary>Takes an invitation back, also from somebody who has accepted it and has the lesson open.</summary>
    public async Task RemoveAsync(SharedWork shared, Guid invitation)
    {
        await using var db = await school.CreateDbContextAsync();
        if (await db.CoTeachers.SingleOrDefaultAsync(c => c.Id == invitation && c.OfId == shared.Id) is not { } record) return;
        db.CoTeachers.Remove(record);
        await db.SaveChangesAsync();
        await RecallAsync(shared, [record.Number]);
    }

    /// <summary>The invitation that a link opens; null if the link is damaged or the invitation was taken back.</summary>
    public async Task<CoTeacherRecord?> OpenAsync(string? key)
    {
        try
        {
            var id = Guid.Parse(_protector.Unprotect(key ?? ""));
            await using var db = await school.CreateDbContextAsync();
            return await db.CoTeachers.FindAsync(id);
        }
        catch (Exception e) when (e is CryptographicException or FormatException)
        {
            return null;
        }
    }

    /// <summary>A signed-in teacher accepts. False if somebody else has.</summary>
    public async Task<bool> AcceptAsync(CoTeacherRecord invitation, Guid teacher)
    {
        await using var db = await school.CreateDbContextAsync();

        // Who is already invited under another address keeps that invitation.
        if (await db.CoTeachers.AnyAsync(c => c.OfId == invitation.OfId && c.TeacherId == teacher)) return true;
        return await db.CoTeachers.Where(c => c.Id == invitation.Id && (c.TeacherId == null || c.TeacherId == teacher)).ExecuteUpdateAsync(c => c.SetProperty(x => x.TeacherId, teacher)) == 1;
    }

    // Rights hold at once, also for what is open on a screen.
    private async Task RecallAsync(SharedWork shared, IEnumerable<int> numbers)
    {
        var whose = numbers.ToHashSet();
        await using var db = await school.CreateDbContextAsync();
        foreach (var room in await db.Rooms.Where(r => r.OfId == shared.Id).Select(r => r.Id).ToListAsync())
        {
            if (await hosts.FindLoadedAsync(room) is { } host) host.Recall(reader => reader.IsStaff && whose.Contains(reader.Number));
        }
    }
}
