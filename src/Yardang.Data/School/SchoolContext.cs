using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Yardang.Core.Pages;
using Yardang.Core.Rooms;

namespace Yardang.Data.School;

/// <summary>Everything that is not a log: accounts, activities, lessons, who is who.</summary>
public sealed class SchoolContext(DbContextOptions<SchoolContext> options)
    : IdentityDbContext<Teacher, IdentityRole<Guid>, Guid>(options)
{
    public DbSet<ActivityRecord> Activities => Set<ActivityRecord>();

    public DbSet<VersionRecord> Versions => Set<VersionRecord>();

    public DbSet<LessonRecord> Lessons => Set<LessonRecord>();

    public DbSet<ParticipantRecord> Participants => Set<ParticipantRecord>();

    public DbSet<RoomRecord> Rooms => Set<RoomRecord>();

    /// <summary>The rooms of a lesson in which its people work: all but that of the lesson itself.</summary>
    public IQueryable<RoomRecord> RoomsOf(Guid lesson) => Rooms.Where(r => r.OfId == lesson && r.Kind != RoomKind.Lesson);

    public DbSet<ClassListRecord> ClassLists => Set<ClassListRecord>();

    public DbSet<ClassEntryRecord> ClassEntries => Set<ClassEntryRecord>();

    public DbSet<LateChangeRecord> LateChanges => Set<LateChangeRecord>();

    public DbSet<CoTeacherRecord> CoTeachers => Set<CoTeacherRecord>();

    public DbSet<MailRecord> Outbox => Set<MailRecord>();

    public DbSet<SeatRecord> Seats => Set<SeatRecord>();

    public DbSet<BoardSummaryRecord> BoardSummaries => Set<BoardSummaryRecord>();

    public DbSet<DeletedLessonRecord> DeletedLessons => Set<DeletedLessonRecord>();

    public DbSet<KeptFileRecord> KeptFiles => Set<KeptFileRecord>();

    public DbSet<RoomRemovalRecord> RoomRemovals => Set<RoomRemovalRecord>();

    /// <summary>What is written beside the file until it is taken over has what was there before: after this no more.</summary>
    public Task TakeOverAsync() => Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)");

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.ApplyConfigurationsFromAssembly(typeof(SchoolContext).Assembly, t => string.Equals(t.Namespace, typeof(SchoolContext).Namespace, StringComparison.Ordinal));
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder)
    {
        base.ConfigureConventions(configurationBuilder);

        configurationBuilder.Properties<Texts>().HaveConversion<TextsAsJson>();

        // SQLite cannot sort its text form of a DateTimeOffset; the number sorts and keeps the instant.
        configurationBuilder.Properties<DateTimeOffset>().HaveConversion<Microsoft.EntityFrameworkCore.Storage.ValueConversion.DateTimeOffsetToBinaryConverter>();
    }
}

internal sealed class SchoolContextFactory : IDesignTimeDbContextFactory<SchoolContext>
{
    public SchoolContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<SchoolContext>().UseSqlite("Data Source=design.db").Options);
}
