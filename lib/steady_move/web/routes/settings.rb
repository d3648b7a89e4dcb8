# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Where the outside is: public records, name servers, outgoing mail, and the mailboxes that
      # are read.
      module Settings
        extend Answers

        # What the settings are shown with: the mailboxes, and how the newest mail's servers call
        # themselves.
        module Helpers
          def settings_shown(of = desk)
            of.settings.shown.merge(mailboxes: of.inboxes.shown, servers_seen: of.messages.servers)
          end

          # Writes down what was set, and asks the outside anew.
          def settings_changed(key, **values)
            says = Words.phrase("journal.#{key}", by: me, **values)
            desk.journal.add("places", at: now, says: says, by: me)
            settings_shown(desk.connect)
          end

          def mailbox_given = given.transform_keys(&:to_sym)
        end

        on("settings") { settings_shown }

        on "setSetting" do
          desk.settings.set(given["key"], given["value"], at: now)
          settings_changed(:setting_set, key: given["key"])
        end

        on "addMailbox" do
          desk.inboxes.add(mailbox_given)
          settings_changed(:mailbox_added, mailbox: given["login"])
        end

        on "changeMailbox" do
          desk.inboxes.change(asked[:id], mailbox_given)
          login = desk.inboxes.find(asked[:id]).endpoint[:login]
          settings_changed(:mailbox_changed, mailbox: login)
        end

        on "tryMailbox" do
          Desk::Mail::MailboxTrial.new(desk).start(asked[:id])
          login = desk.inboxes.find(asked[:id]).endpoint[:login]
          settings_changed(:mailbox_tried, mailbox: login)
        end

        on "removeMailbox" do
          login = desk.inboxes.find(asked[:id]).endpoint[:login]
          desk.inboxes.remove(asked[:id], at: now)
          settings_changed(:mailbox_removed, mailbox: login)
        end
      end
    end
  end
end
