# frozen_string_literal: true

module SteadyMove
  module Core
    module Accounts
      # Every habit of a registrar that the desk knows of: a row each. One more is one row here and
      # its label in config/words/en/accounts.yml; whatever follows it asks the account.
      module Habits
        # Sections of the form, in their order.
        SECTIONS = %w[first ways codes mail privacy destination ordering aims record].freeze
        # In the order in which the form has them.
        ACTS = %w[unlock code renew privacy contacts name_servers release push].freeze

        class << self
          # id: of the field. path: where it lies, its id where nothing else is said. Returns Habit;
          # raises ArgumentError for an unknown kind or section.
          def habit(id, kind, section, path: id, **more)
            raise ArgumentError, "habit #{id}: no kind #{kind}" unless Habit::KINDS.key?(kind)
            unless section.nil? || SECTIONS.include?(section)
              raise ArgumentError, "habit #{id}: no section #{section}"
            end

            Habit.new(id: id, kind: kind, section: section, path: path.split("."), **more).freeze
          end

          # [Habit], those of a test among them.
          def all = ALL + (@more || [])
          # Where they lie: {first part of the path => [Habit]}.
          def groups = all.group_by { |h| h.path.first }
          def find(id) = all.find { |h| h.id == id }

          # Yields with one habit more than are declared.
          def with(habit)
            @more = [*@more, habit]
            yield
          ensure
            @more -= [habit]
          end

          # Properties of an account's habits (JSON Schema), but for those that the contract
          # describes by itself.
          def schema
            groups
              .except("aims")
              .transform_values do |habits|
                only = habits.first
                habits.one? && only.path.one? ? only.schema : group(habits)
              end
          end

          private

          def group(habits)
            if habits.all? { |h| h.kind == :flag }
              return(
                {
                  "type" => %w[array null],
                  "items" => {
                    "enum" => habits.map { |h| h.path.last }
                  }
                }
              )
            end

            {
              "type" => %w[object null],
              "additionalProperties" => false,
              "properties" => habits.to_h { |h| [h.path.last, h.schema] },
              "required" => habits.select(&:required).map { |h| h.path.last }
            }
          end
        end

        ALL = [
          habit("site", :url, "first", steps: %w[unlock get-code order release]),
          habit("login", :name, "first", steps: %w[unlock get-code order release]),
          habit(
            "sign_in",
            :choice,
            "first",
            of: %w[mail factor],
            steps: %w[unlock ask-code order release]
          ),
          *ACTS.map do |act|
            ways = Moves::Channels::ALLOWED.fetch(act)
            habit("way_#{act}", :choice, "ways", path: "ways.#{act}", of: ways)
          end,
          habit("way_order", :choice, nil, path: "ways.order", of: %w[connection page]),
          habit(
            "code_to",
            :choice,
            "codes",
            of: %w[registrant admin technical],
            steps: %w[get-code]
          ),
          habit("code_guard", :choice, "codes", of: %w[mail factor], steps: %w[ask-code]),
          habit("code_reason", :yes, "codes", steps: %w[ask-code]),
          habit("code_after_privacy", :yes, "codes", steps: %w[privacy-off ask-code]),
          habit("code_at_release", :yes, "codes", steps: %w[release]),
          habit("approval_mails", :choice, "codes", of: %w[1 2 3], steps: %w[release]),
          habit("lock_is_four", :yes, "codes", steps: %w[unlock lock-back]),
          habit("code_takes", :minutes, "codes", steps: %w[get-code]),
          habit("contacts_late", :hours, "codes", steps: %w[contacts-shown]),
          habit("opt_out", :yes, "codes"),
          habit("takes_codes", :code_form, nil, steps: %w[check-code]),
          habit("support", :email, "mail"),
          habit("not_from", :list, "mail"),
          habit("customer", :name, "mail"),
          habit("letter_words", :text, "mail"),
          habit("letter_signed", :text, "mail"),
          habit("privacy", :domain, "privacy", steps: %w[contacts-shown]),
          habit("own_domains", :list, "privacy", steps: %w[contacts-shown]),
          habit(
            "service",
            :name,
            "privacy",
            path: "privacy_service.title",
            required: true,
            limits: {
              "minLength" => 1,
              "maxLength" => 80
            },
            steps: %w[privacy-off privacy-back]
          ),
          habit("service_site", :url, "privacy", path: "privacy_service.site"),
          habit("service_login", :name, "privacy", path: "privacy_service.login"),
          habit(
            "service_identity",
            :yes,
            "privacy",
            path: "privacy_service.identity",
            steps: %w[identity]
          ),
          habit("service_from", :domain, "privacy", path: "privacy_service.writes_from"),
          habit("suffixes", :suffixes, "destination"),
          habit("payment", :text, "destination", steps: %w[order]),
          habit("reads", :yes, "destination", path: "reads_contacts", steps: %w[privacy-off]),
          habit("copies_zone", :yes, "destination", steps: %w[put-zone]),
          habit("gives_servers", :yes, "destination", steps: %w[servers-known]),
          habit("paid_by", :choice, "ordering", of: %w[card balance invoice], steps: %w[order]),
          habit(
            "list_separator",
            :choice,
            "ordering",
            path: "list.separator",
            of: [",", ";", "\t", " "],
            default: ","
          ),
          habit("list_header", :name, "ordering", path: "list.header"),
          habit(
            "list_quoting",
            :choice,
            "ordering",
            path: "list.quoting",
            of: %w[needed always never],
            default: "needed"
          ),
          *%w[link halves code].map do |how|
            habit(
              "confirm_#{how}",
              :flag,
              "ordering",
              path: "confirms.#{how}",
              steps: ["confirm-#{how}"]
            )
          end,
          habit("tag", :name, "ordering", limits: { "maxLength" => 60 }, steps: %w[push]),
          habit("aim_lock", :choice, "aims", path: "aims.lock", of: %w[on off]),
          habit("aim_auto_renew", :choice, "aims", path: "aims.auto_renew", of: %w[on off any]),
          habit("aim_privacy", :choice, "aims", path: "aims.privacy", of: %w[on off as_before]),
          habit("aim_contacts", :name, "aims", path: "aims.contacts"),
          habit("registrar_names", :list, "record"),
          habit("registrar_id", :digits, "record")
        ].freeze
      end
    end
  end
end
