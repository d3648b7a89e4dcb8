# frozen_string_literal: true

module Practice
  # The public record: RDAP domain look-ups over HTTP (RFC 9082 §3.1.3, RFC 9083 §5.3) as a Rack
  # application.
  class Rdap
    # What it answers while a fault is switched on.
    FAULTS = {
      "rdap-away" => [503, { "content-type" => "text/plain" }, ["away"]],
      "rdap-busy" => [429, { "content-type" => "text/plain", "retry-after" => "1200" }, ["busy"]],
      "rdap-elsewhere" => [302, { "location" => "http://elsewhere.example/" }, []],
      "rdap-garbage" => [
        200,
        { "content-type" => "application/rdap+json" },
        ["{\"objectClassName\": \"dom"]
      ],
      "rdap-short" => [
        200,
        {
          "content-type" => "application/rdap+json",
          "content-length" => "5000",
          "connection" => "close"
        },
        ["{}"]
      ]
    }.freeze

    def initialize(world)
      @world = world
    end

    def call(env)
      trouble = FAULTS.find { |id, _| @world.fault?(id) }&.last
      return trouble if trouble

      name = env["PATH_INFO"][%r{\A/rdap/domain/([^/]+)\z}, 1] or return not_found
      return not_found if @world.fault("rdap-unknown") == name

      @world.exclusively { [200, headers, [JSON.generate(domain(shown(name.downcase)))]] }
    rescue Refusal
      not_found
    end

    private

    # The row as this record shows it: as it was a day ago while “rdap-lags” is on, without
    # pendingTransfer while “rdap-hides-pending” is.
    def shown(name)
      row =
        (
          if @world.fault?("rdap-lags")
            @world.registry.before(name, @world.now - Registry::DAY)
          else
            @world.registry.find(name)
          end
        )
      return row unless @world.fault?("rdap-hides-pending")

      rest = row[:statuses] - ["pendingTransfer"]
      row.merge(statuses: rest.empty? ? ["ok"] : rest)
    end

    def headers = { "content-type" => "application/rdap+json" }

    def not_found
      [
        404,
        headers,
        [JSON.generate(errorCode: 404, title: "Not Found", rdapConformance: ["rdap_level_0"])]
      ]
    end

    def domain(row)
      {
        objectClassName: "domain",
        rdapConformance: ["rdap_level_0"],
        handle: row[:roid],
        ldhName: row[:name],
        status: row[:statuses].map { |s| SteadyMove::Core::Names::Statuses.to_rdap(s) },
        nameservers: row[:name_servers].map { |n| { objectClassName: "nameserver", ldhName: n } },
        secureDNS: secure(row),
        events: events(row),
        entities: [
          *people(row),
          {
            objectClassName: "entity",
            handle: row[:sponsor],
            roles: ["registrar"],
            vcardArray: [
              "vcard",
              [
                ["version", {}, "text", "4.0"],
                ["fn", {}, "text", @world.registrar_title(row[:sponsor])]
              ]
            ]
          }
        ]
      }
    end

    # RFC 9083 §5.3: the four fields of each DS.
    def secure(row)
      return { delegationSigned: false } if row[:ds].empty?

      data =
        row[:ds].map do |ds|
          %i[keyTag algorithm digestType digest]
            .zip(ds.split)
            .to_h
            .transform_values { |v| v.match?(/\A\d+\z/) && v.size < 6 ? v.to_i : v }
        end
      { delegationSigned: true, dsData: data }
    end

    def people(row)
      { registrant: "registrant", admin: "administrative" }.map do |role, word|
        {
          objectClassName: "entity",
          roles: [word],
          vcardArray: [
            "vcard",
            [
              ["version", {}, "text", "4.0"],
              ["fn", {}, "text", ""],
              ["email", {}, "text", @world.registry.shown_email(row, role).to_s]
            ]
          ]
        }
      end
    end

    def events(row)
      {
        "registration" => :created_at,
        "last changed" => :updated_at,
        "expiration" => :expires_at,
        "transfer" => :transferred_at
      }.filter_map do |action, key|
        row[key] &&
          { eventAction: action, eventDate: SteadyMove::Wire::Epp::Xml.stamp(Time.at(row[key])) }
      end
    end
  end
end
