using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.Log;

/// <summary>An event of a room. The payload is what <see cref="Wire.EventCodec"/> wrote.</summary>
public sealed class LoggedEvent
{
    public required Guid Room { get; init; }

    public required long Number { get; init; }

    /// <summary>Counts the times the room was opened; a writer of an earlier epoch is stale.</summary>
    public required int Epoch { get; init; }

    public required byte[] Payload { get; init; }
}

/// <summary>A room that exists.</summary>
public sealed class LoggedRoom
{
    public required Guid Id { get; init; }

    public required int Kind { get; init; }

    public required int Epoch { get; set; }

    /// <summary>The last snapshot; may be dropped at any time.</summary>
    public byte[]? Snapshot { get; set; }
}

/// <summary>The log's file: its schema. Appending goes past this context, over a connection of its own.</summary>
public sealed class LogContext(DbContextOptions<LogContext> options) : DbContext(options)
{
    public DbSet<LoggedEvent> Events => Set<LoggedEvent>();

    public DbSet<LoggedRoom> Rooms => Set<LoggedRoom>();

    protected override void OnModelCreating(ModelBuilder modelBuilder) =>
        modelBuilder.ApplyConfiguration(new LoggedEventConfiguration()).ApplyConfiguration(new LoggedRoomConfiguration());
}

internal sealed class LoggedEventConfiguration : IEntityTypeConfiguration<LoggedEvent>
{
    public void Configure(EntityTypeBuilder<LoggedEvent> builder)
    {
        builder.ToTable("Events");

        // The unique (room, number) fences a stale writer.
        builder.HasKey(e => new { e.Room, e.Number });
        builder.Property(e => e.Room).HasConversion<byte[]>();
    }
}

internal sealed class LoggedRoomConfiguration : IEntityTypeConfiguration<LoggedRoom>
{
    public void Configure(EntityTypeBuilder<LoggedRoom> builder)
    {
        builder.ToTable("Rooms");
        builder.HasKey(r => r.Id);
        builder.Property(r => r.Id).HasConversion<byte[]>();
    }
}

internal sealed class LogContextFactory : IDesignTimeDbContextFactory<LogContext>
{
    public LogContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<LogContext>().UseSqlite("Data Source=design.db").Options);
}
