# frozen_string_literal: true

require "yaml"
require "time"

module Practice
  # The demo's invented company, its names, registrars and DNS hosts, read from
  # practice/scenario/*.yml. Days in the file count from its start.
  class Scenario
    DAY = 86_400

    attr_reader :start,
                :seed,
                :suffixes,
                :registry,
                :registrars,
                :hosts,
                :names,
                :mailbox,
                :past,
                :readers,
                :proven,
                :happenings

    # The whole portfolio with its past; names_at: only the names at these registrars and no past,
    # for tests. registrars: folder of files, one a registrar, named by its id.
    def self.demo(names_at: nil, registrars: File.join(__dir__, "scenario", "registrars"))
      names = written(File.join(__dir__, "scenario", "names.yml"))
      data = written(File.join(__dir__, "scenario", "saltern.yml")).dup
      data["registrars"] = Dir[File.join(registrars, "*.yml")].to_h do |f|
        [File.basename(f, ".yml"), written(f)]
      end
      return new(data, names) unless names_at

      new(data.merge("past" => []), names.select { |n| names_at.include?(n["at"]) })
    end

    # Each file is read once, and what it says is frozen.
    def self.written(file)
      @written ||= {}
      @written[file] ||= Ractor.make_shareable(YAML.load_file(file))
    end
    private_class_method :written

    def initialize(data, names)
      @start = Time.iso8601(data.fetch("start"))
      @seed = data.fetch("seed")
      @suffixes = data.fetch("suffixes")
      @registry = data.fetch("registry")
      @registrars = data.fetch("registrars")
      @hosts = data.fetch("dns_hosts")
      @past = data.fetch("past", [])
      @mailbox = data.fetch("mailbox")
      @readers = data.fetch("readers")
      @proven = data.fetch("proven", {})
      @happenings = data.fetch("happenings", {})
      @zones = data.fetch("zones")
      @contacts = data.fetch("contacts")
      @names = names
    end

    # Puts the names and their zones into an empty world.
    def fill(world)
      random = Random.new(seed)
      @contacts.each_with_index { |(key, row), i| world.registry.add_contact(contact(key, row, i)) }
      names
        .reject { |row| row["listed_only"] }
        .each_with_index do |row, i|
          host = world.hosts[row["dns"]]
          signer =
            Dns::Signer.new(row["name"], from: start - (30 * DAY), to: start + (800 * DAY)) if row[
            "signed"
          ]
          zone = host && zone(row, host)
          world.registry.add(
            domain(row, i, random, ds: zone && signer ? [signer.ds(zone.origin)] : [])
          )
          host&.save(signer ? signer.sign(zone) : zone)
        end
      names.each { |row| leave(world, row) if row["leaving_to"] }
    end

    # What is lived through before the demo opens: opens, acts (DeskSide::WorkingDay).
    def working_day = YAML.load_file(File.join(__dir__, "scenario", "working_day.yml"))

    def inspect = "#<Scenario>"

    private

    # Somebody asked for this name's transfer just before the start.
    def leave(world, row)
      code = world.registry.find(row["name"])[:auth_info]
      world.registry.request_transfer(row["leaving_to"], row["name"], code, years: 1, at: start)
    end

    def contact(key, row, index)
      row
        .slice("id", "name", "org", "street", "city", "country", "voice", "email")
        .transform_keys(&:to_sym)
        .merge(
          roid: format("C%05d-PRAC", index + 1),
          sponsor: row["at"] || key,
          created_at: day(row["created"]),
          updated_at: row["updated"] && day(row["updated"])
        )
    end

    def veil(row)
      row["private"] &&
        Registrar.alias_of(row["name"], registrars.dig(row["at"], "habits", "privacy"))
    end

    def domain(row, index, random, ds: [])
      holder = @contacts.fetch(row["registrant"] || row["at"])
      servers = row["dns"] ? hosts.fetch(row["dns"])["name_servers"] : []
      {
        name: row["name"],
        roid: format("D%05d-PRAC", index + 1),
        sponsor: row.fetch("at"),
        created_at: day(row.fetch("created")),
        expires_at: day(row.fetch("expires")),
        transferred_at: row["moved"] && day(row["moved"]),
        updated_at: day(row["updated"] || -30),
        statuses: row.fetch("statuses", ["clientTransferProhibited"]).to_json,
        name_servers: servers.to_json,
        ds: ds.to_json,
        registrant: holder["id"],
        admin: row["admin"] ? @contacts.fetch(row["admin"])["id"] : holder["id"],
        veil: veil(row),
        auth_info:
          row["code"] ||
            Array
              .new(12) do
                "abcdefghjkmnpqrstuvwxyzABCDEFGHJKLMNPQRSTUVWXYZ23456789+-!".chars.sample(
                  random: random
                )
              end
              .join
      }
    end

    def day(offset) = (start + (offset * DAY)).to_i

    def zone(row, host)
      text = @zones.fetch(row.fetch("zone", "plain"))
      head = host.servers.map { |s| "@ 3600 IN NS #{s}.\n" }.join
      soa =
        "$TTL 3600\n@ IN SOA #{host.servers.first}. hostmaster.#{host.servers.first}. 2027022801 " \
          "7200 3600 " \
          "1209600 3600\n"
      SteadyMove::Core::Records::ZoneReader.read(soa + head + text, origin: row["name"])
    end
  end
end
