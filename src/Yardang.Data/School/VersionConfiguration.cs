using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Yardang.Data.School;

internal sealed class VersionConfiguration : IEntityTypeConfiguration<VersionRecord>
{
    public void Configure(EntityTypeBuilder<VersionRecord> builder)
    {
        builder.ToTable("Versions");
        builder.HasIndex(v => new { v.ActivityId, v.Hash }).IsUnique();
    }
}
