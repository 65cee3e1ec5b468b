using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class Retention : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "DeleteOn",
                table: "Lessons",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "ToldOfDeletingAt",
                table: "Lessons",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "DeletedLessons",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    OwnerId = table.Column<Guid>(type: "TEXT", nullable: false),
                    DeletedAt = table.Column<long>(type: "INTEGER", nullable: false),
                    Why = table.Column<int>(type: "INTEGER", nullable: false),
                    People = table.Column<int>(type: "INTEGER", nullable: false),
                    Rooms = table.Column<int>(type: "INTEGER", nullable: false),
                    ArchivedUntil = table.Column<long>(type: "INTEGER", nullable: true),
                    Title = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_DeletedLessons", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_DeletedLessons_OwnerId",
                table: "DeletedLessons",
                column: "OwnerId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "DeletedLessons");

            migrationBuilder.DropColumn(
                name: "DeleteOn",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "ToldOfDeletingAt",
                table: "Lessons");
        }
    }
}
