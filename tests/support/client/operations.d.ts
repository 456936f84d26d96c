// Made by `npm run client` from the description of the interface. Not edited by hand.
export interface paths {
    "/access": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * In whose name one asks, in which company, and what one may do
         * @description Any token opens it.
         */
        get: operations["readAccess"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/webhooks": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Where news of what happens goes
         * @description Needs “Change settings”.
         */
        get: operations["listWebhooks"];
        put?: never;
        /**
         * Sends news of what happens to a door from now on; its secret is told once, here
         * @description Needs “Change settings”.
         */
        post: operations["addWebhook"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/webhooks/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        post?: never;
        /**
         * Sends no more news there
         * @description Needs “Change settings”.
         */
        delete: operations["endWebhook"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/customers": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Customers
         * @description Needs “See prices”.
         */
        get: operations["listCustomers"];
        put?: never;
        /**
         * Adds a customer, with a first site at the billing address
         * @description Needs “Write proposals” or “Issue invoices” or “Record money”.
         */
        post: operations["addCustomer"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/customers/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A customer with people and sites
         * @description Needs “See prices”.
         */
        get: operations["readCustomer"];
        /**
         * Changes a customer; people that are left out stay as they are
         * @description Needs “Write proposals” or “Issue invoices” or “Record money”.
         */
        put: operations["changeCustomer"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/customers/{id}/sites": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Adds a site to a customer
         * @description Needs “Write proposals” or “Issue invoices” or “Record money”.
         */
        post: operations["addSite"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/customers/{id}/sites/{site}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /**
         * Changes a site of a customer
         * @description Needs “Write proposals” or “Issue invoices” or “Record money”.
         */
        put: operations["changeSite"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/customers/{id}/account.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The statement of account of a customer, from a day to a day
         * @description Needs “See prices”.
         */
        get: operations["statementOfAccount"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Proposals; change orders stand with their agreement
         * @description Needs “See prices”.
         */
        get: operations["listProposals"];
        put?: never;
        /**
         * Begins a proposal, with the usual terms or from a template
         * @description Needs “Write proposals”.
         */
        post: operations["startProposal"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/import": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Makes a proposal of a document
         * @description Needs “Write proposals”.
         */
        post: operations["importProposal"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A proposal with its document
         * @description Who does not see cost gets the document without it.
         *
         *     Needs “See prices”.
         */
        get: operations["readProposal"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/document": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /**
         * Puts a whole document in the place of the one that was read
         * @description Refused as `changed-meanwhile` where somebody changed it since; what differs is kept as their edit is, and people see it at once.
         *
         *     Needs “Write proposals”.
         */
        put: operations["changeProposal"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/copy": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Copies a proposal for a customer and a site
         * @description Needs “Write proposals”.
         */
        post: operations["copyProposal"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/send": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Sends a proposal as it was read: a revision that stays, a letter, and a private link
         * @description Needs “Write proposals”.
         */
        post: operations["sendProposal"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/accept": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Records that a customer said yes, and how: it is an agreement from then on
         * @description To what is `offered`. Asked again with the same key, it is recorded once.
         *
         *     Needs “Write proposals”.
         */
        post: operations["acceptForCustomer"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/withdraw": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Takes a proposal back; nobody can sign it any more
         * @description Needs “Write proposals”.
         */
        post: operations["withdrawProposal"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/templates": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Templates a proposal can begin from
         * @description Needs “Write proposals” or “See cost and margin”.
         */
        get: operations["listTemplates"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/document.json": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The document of a proposal, as a file
         * @description Needs “See cost and margin”.
         */
        get: operations["proposalDocument"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/proposal.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A proposal as its customer would get it on paper
         * @description Needs “See prices”.
         */
        get: operations["proposalPdf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/proposals/{id}/plans/{plan}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * What was traced on a plan, as GeoJSON in feet
         * @description Needs “See cost and margin”.
         */
        get: operations["tracedPlan"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Agreements with their standing
         * @description Needs “See prices”.
         */
        get: operations["listAgreements"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * An agreement: lines, schedule, stages, invoices, payments and standing
         * @description Needs “See prices”.
         */
        get: operations["readAgreement"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/stages": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Plans a stage, or reports how far it is
         * @description Needs “Record work”.
         */
        post: operations["reportStage"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/certificates": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Every signature on an agreement, and whether what is kept is still what was signed
         * @description Needs “See prices”.
         */
        get: operations["listCertificates"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/costs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * What jobs cost us
         * @description Needs “See prices”, and “See cost and margin”.
         */
        get: operations["listCosts"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/costs": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Records what a job cost us
         * @description Asked again with the same key, it is recorded once.
         *
         *     Needs “Record work”.
         */
        post: operations["recordCost"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/costs.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Takes a list of costs of an agreement, all of it or nothing
         * @description Needs “Record work”.
         */
        post: operations["importCosts"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/job.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A list of a job
         * @description Needs “Export”, and “See cost and margin”.
         */
        get: operations["jobList"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/draft.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The draft of an invoice, as the customer would get it
         * @description Needs “See prices”, and “Issue invoices”.
         */
        get: operations["draftInvoicePdf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/statements/{sha256}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The statement that was signed, as the file whose SHA-256 stands on the certificate
         * @description Needs “See prices”.
         */
        get: operations["signedStatement"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Everything issued
         * @description Needs “See prices”.
         */
        get: operations["listInvoices"];
        put?: never;
        /**
         * Issues an invoice on an agreement; from then on it never changes
         * @description With `seen`, the papers the agreement had when it was read, it is issued once: asked again, it is refused.
         *
         *     Needs “Issue invoices”.
         */
        post: operations["issueInvoice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/agreements/{id}/draft": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        /**
         * Keeps an invoice in work; there is one to an agreement
         * @description Needs “Issue invoices”.
         */
        put: operations["keepDraft"];
        post?: never;
        /**
         * Throws the invoice in work away
         * @description Needs “Issue invoices”.
         */
        delete: operations["dropDraft"];
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * An invoice or credit note, and what is open of it
         * @description Needs “See prices”.
         */
        get: operations["readInvoice"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices/{id}/credit": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Takes an invoice back, in whole or in part, with a credit note
         * @description Needs “Record money”.
         */
        post: operations["creditInvoice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices/{id}/send": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Sends an issued invoice, as usual or as it is said
         * @description Needs “Issue invoices”.
         */
        post: operations["sendInvoice"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices/{id}/invoice.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * An invoice as people read it, with its data inside (Factur-X)
         * @description Needs “See prices”.
         */
        get: operations["invoicePdf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices/{id}/invoice.xml": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * An invoice as an e-invoice (UBL 2.1, EN 16931)
         * @description Needs “See prices”.
         */
        get: operations["invoiceXml"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/invoices/{id}/statement.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * An invoice with every agreed line beside it
         * @description Needs “See prices”.
         */
        get: operations["progressStatement"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/payments": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Money in, and out again
         * @description Needs “See prices”.
         */
        get: operations["listPayments"];
        put?: never;
        /**
         * Records money received; it goes on the open invoices, oldest first, or as it is said
         * @description Asked again with the same key, it is recorded once. What looks like a slip is refused as `looks-recorded` until `sure` says it is meant.
         *
         *     Needs “Record money”.
         */
        post: operations["recordPayment"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/payments/{id}/reversal": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A payment was returned by the bank, or never came
         * @description Needs “Record money”.
         */
        post: operations["reversePayment"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/payments/{id}/receipt.pdf": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The receipt of a payment
         * @description Needs “See prices”.
         */
        get: operations["receiptPdf"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Items and bundles; what is retired is left out unless it is asked for
         * @description Needs “See cost and margin”.
         */
        get: operations["listLibrary"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library/items": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Adds an item
         * @description Needs “Change the library” or “Write proposals”, and “See cost and margin”.
         */
        post: operations["addItem"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library/items/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * An item with what it costs
         * @description Needs “See cost and margin”.
         */
        get: operations["readItem"];
        /**
         * Changes an item; what it cost before is kept, and proposals keep their copies
         * @description Needs “Change the library”, and “See cost and margin”.
         */
        put: operations["changeItem"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library/items/{id}/retire": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Takes an item out of use, or back into it
         * @description Needs “Change the library”.
         */
        post: operations["retireItem"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library/bundles": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Adds a bundle
         * @description Needs “Change the library” or “Write proposals”, and “See cost and margin”.
         */
        post: operations["addBundle"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library/bundles/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A bundle with everything in it, as a proposal takes it
         * @description Who does not see cost gets it without.
         *
         *     Needs “Write proposals” or “See cost and margin”.
         */
        get: operations["readBundle"];
        /**
         * Changes a bundle; copies in proposals stay until they are refreshed
         * @description Refused where it has another edition by now.
         *
         *     Needs “Change the library”.
         */
        put: operations["changeBundle"];
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library/bundles/{id}/retire": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Takes a bundle out of use, or back into it
         * @description Needs “Change the library”.
         */
        post: operations["retireBundle"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The items of the library, as CSV
         * @description Needs “Export”, and “See cost and margin”.
         */
        get: operations["libraryCsv"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/library.xlsx": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The items of the library, as a workbook
         * @description Needs “Export”, and “See cost and margin”.
         */
        get: operations["libraryXlsx"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/files": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Keeps a picture or a plan, to be named in documents and items
         * @description It is turned upright and made smaller where it is large; where it was taken is removed. A picture needs `jobs`, a plan `propose`.
         *
         *     Needs “Record work” or “Write proposals”.
         */
        post: operations["keepPicture"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/files/{id}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A kept picture; `small` asks for it in small
         * @description Needs “Record work” or “See prices”.
         */
        get: operations["readPicture"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/messages": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Letters that went out, and how far they came
         * @description Needs “See prices”.
         */
        get: operations["listLetters"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/messages/{id}/attachments": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Something that went with a letter; `n` says which, counted from nought
         * @description Needs “See prices”.
         */
        get: operations["letterAttachment"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/lists/{list}": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A list of the desk as a file, filtered and sorted as its page is
         * @description Lists: agreements, batches, costs, customers, history, invoices, library, messages, payments, proposals, stages. The other parameters are those of the address of the page.
         *
         *     Needs “Export”.
         */
        get: operations["listAsFile"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/reports.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A list of looking back
         * @description That of agreements needs `cost` as well.
         *
         *     Needs “Export”.
         */
        get: operations["lookingBack"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/reports/money": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A report on money, narrowed as its page is
         * @description Needs “Export”.
         */
        get: operations["moneyReport"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/reports/tax": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Sales tax from a day to a day; the quarter of today where no period is said
         * @description Needs “Export”, and “Record money”.
         */
        get: operations["taxReport"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/batches": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * What went to the accountant, batch by batch
         * @description Needs “See prices”, and “Record money”.
         */
        get: operations["listBatches"];
        put?: never;
        /**
         * Makes a batch for the accountant of what was in none yet
         * @description Needs “Record money”.
         */
        post: operations["makeBatch"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/history": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * Who did what, when
         * @description Needs “See prices”, and “Change settings”.
         */
        get: operations["listHistory"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/batches/{id}/items.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * The papers of a batch for the accountant, broken into their items
         * @description Needs “Record money”.
         */
        get: operations["batchItems"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/batches/{id}/journal.csv": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * A batch for the accountant as a journal
         * @description Needs “Record money”.
         */
        get: operations["batchJournal"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "/due-dates.ics": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        /**
         * What falls due, as a calendar (iCalendar)
         * @description Needs “See prices”.
         */
        get: operations["dueDates"];
        put?: never;
        post?: never;
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export interface webhooks {
    "customer.added": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A customer was added
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.customer.added"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "customer.changed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A customer was changed
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.customer.changed"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "customer.removed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * What was known of a customer as a person was removed
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.customer.removed"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "proposal.begun": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A proposal was begun
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.proposal.begun"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "proposal.sent": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A proposal was sent
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.proposal.sent"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "proposal.accepted": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A customer said yes: it is an agreement
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.proposal.accepted"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "proposal.declined": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A customer said no
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.proposal.declined"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "proposal.withdrawn": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A proposal was taken back
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.proposal.withdrawn"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "agreement.changed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A change order was signed
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.agreement.changed"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "agreement.progressed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A stage was reported
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.agreement.progressed"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "invoice.issued": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * An invoice was issued
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.invoice.issued"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "invoice.credited": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A credit note was issued
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.invoice.credited"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "payment.recorded": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * Money came in
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.payment.recorded"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "payment.reversed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * A payment was returned or is void
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.payment.reversed"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
    "library.changed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        get?: never;
        put?: never;
        /**
         * An item or bundle was added or changed
         * @description Signed with the secret of the door (RFC 9421, hmac-sha256, over method, path, content type and the digest of RFC 9530).
         */
        post: operations["news.library.changed"];
        delete?: never;
        options?: never;
        head?: never;
        patch?: never;
        trace?: never;
    };
}
export interface components {
    schemas: {
        /** @description What happened to what; what stands in it is read with a token */
        News: {
            /**
             * Format: uuid
             * @description The same, however often it is sent
             */
            id: string;
            /** @enum {string} */
            event: "customer.added" | "customer.changed" | "customer.removed" | "proposal.begun" | "proposal.sent" | "proposal.accepted" | "proposal.declined" | "proposal.withdrawn" | "agreement.changed" | "agreement.progressed" | "invoice.issued" | "invoice.credited" | "payment.recorded" | "payment.reversed" | "library.changed" | "trial";
            /** Format: date-time */
            at: string;
            /** @description The identity of what it happened to */
            subject: string;
            /** @description Where more of it is to be read; null: nowhere */
            address: string | null;
        };
        /** @description Problem details (RFC 9457) */
        Problem: {
            /** Format: uri */
            type: string;
            /** @description Stable: a program decides by it */
            code: string;
            title: string;
            status: number;
            /** @description A sentence for people */
            detail: string;
            /** @description Places in what was sent, by JSON Pointer */
            errors?: {
                pointer: string;
                detail: string;
            }[];
            /** @description What is needed to go on */
            context?: Record<string, never>;
        };
        Address: {
            street: string;
            city: string;
            region: string;
            postcode: string;
            country: string;
        };
        Allowance: {
            rule: "at our price" | "at cost, fee fixed" | "at cost, fee on the excess";
            /** @description What the customer may spend for one unit of the line, in the measure of the rule */
            amount: string;
            /** @description Our fee as a margin: percent of the price, below 100 */
            fee: string;
            /**
             * @description Fee on the excess: a rest gives its fee back too
             * @constant
             */
            feeOnRest?: true;
            /** @description To the customer: one price with the fee in it, or the amount to spend and the fee apart */
            shows: "price" | "spend";
            rounds: {
                id: string;
                name: string;
                /** @description More for the customer to read */
                detail?: string;
                /**
                 * Format: date
                 * @description Business date
                 */
                due?: string;
                questions: {
                    id: string;
                    prompt: string;
                    /** @description More for the customer to read */
                    detail?: string;
                    alternatives: {
                        id: string;
                        name: string;
                        /** @description More for the customer to read */
                        detail?: string;
                        /**
                         * Format: uuid
                         * @description A picture of it, as a kept file
                         */
                        picture?: string;
                        /** @description In the measure of the rule: selling price at our price, cost at cost */
                        price: string;
                        per: "unit" | "whole";
                    }[];
                    suggested: string;
                    /** @description None of them may be picked */
                    none?: {
                        name: string;
                    };
                }[];
                extras: {
                    id: string;
                    name: string;
                    /** @description More for the customer to read */
                    detail?: string;
                    /**
                     * Format: uuid
                     * @description A picture of it, as a kept file
                     */
                    picture?: string;
                    /** @description In the measure of the rule: selling price at our price, cost at cost */
                    price: string;
                    per: "unit" | "whole";
                    /** @description Taken in unless the customer decides otherwise */
                    in: boolean;
                    /** @description The customer sets how many; the price is for one */
                    quantity?: {
                        /** @description Exact decimal as text, not negative */
                        minimum: string;
                        /** @description Exact decimal as text, not negative */
                        maximum: string;
                        /** @description Exact decimal as text, not negative */
                        step: string;
                    };
                }[];
            }[];
        };
        Alternative: {
            id: string;
            name: string;
            detail?: string;
            /**
             * Format: uuid
             * @description A picture of it for the customer, as a kept file
             */
            picture?: string;
            lines: (components["schemas"]["Line"] | components["schemas"]["Bundle"])[];
        };
        BillingAsk: {
            entryId: string;
        } | {
            lines: ({
                line: string;
                to: {
                    /** @description Percent as text */
                    percent: string;
                } | {
                    /** @description Exact decimal as text */
                    quantity: string;
                } | {
                    /** @description Exact decimal as text */
                    amount: string;
                };
            } | {
                section: string;
                /** @description Billed up to this percent */
                to: {
                    /** @description Percent as text */
                    percent: string;
                };
            } | {
                stage: string;
                /** @description Billed up to this percent */
                to: {
                    /** @description Percent as text */
                    percent: string;
                };
            })[];
        } | {
            /** @description Exact decimal as text, not negative */
            amount: string;
        } | {
            /** @constant */
            rest: true;
        } | {
            release: "all" | string;
        };
        Bundle: {
            /** @constant */
            kind: "bundle";
            id: string;
            /** @description The library bundle it was taken from */
            bundleId?: string;
            /** @description Which edition of the library bundle it is a copy of */
            edition?: number;
            code?: string;
            name: string;
            /** @description For the customer; {run} stands for the value of an input or the quantity of a part */
            detail?: string;
            internalNote?: string;
            recipe: components["schemas"]["Recipe"];
            /** @description Recipes of nested bundles, at any depth, by key */
            within: {
                [key: string]: {
                    name: string;
                    recipe: components["schemas"]["Recipe"];
                };
            };
            /** @description Items the parts name, by key */
            items: {
                [key: string]: components["schemas"]["PricedItem"];
            };
            /** @description Inputs as they were typed; what is not here is sized by the section’s space or stands at its default */
            values: {
                [key: string]: string;
            };
            grade?: string;
            /** @description To the customer: one line, or its parts */
            shows: "one" | "parts";
            /** @description What differs on this job, by part; dots lead into nested bundles */
            changes: {
                [key: string]: components["schemas"]["PartChange"];
            };
            /** @description Parts of this job only */
            added: components["schemas"]["Line"][];
            discount?: components["schemas"]["Discount"];
            /** @description Markup of its own, instead of the section’s */
            loads?: components["schemas"]["Load"][];
            phase?: string;
            room?: string;
            trade?: string;
            open?: string;
            extra?: {
                in: boolean;
                /**
                 * Format: date
                 * @description Business date
                 */
                until?: string;
            };
        };
        BundleMakeup: {
            recipe: components["schemas"]["Recipe"];
            /** @description Recipes of nested bundles, at any depth, by key */
            within: {
                [key: string]: {
                    name: string;
                    recipe: components["schemas"]["Recipe"];
                };
            };
            /** @description Items the parts name, by key */
            items: {
                [key: string]: components["schemas"]["PricedItem"];
            };
        };
        CostPart: {
            /** @constant */
            type: "labour";
            /** @description Exact decimal as text, not negative */
            hours: string;
            /** @description Exact decimal as text, not negative */
            rate: string;
            /** @description Exact decimal as text, not negative */
            overtimeRate?: string;
            /**
             * @description These hours at the overtime rate, whatever the line says
             * @constant
             */
            overtime?: true;
            rateId?: string;
            crew?: {
                id: string;
                /** @description Exact decimal as text, not negative */
                hours: string;
            };
        } | {
            /** @constant */
            type: "labour";
            /** @description Exact decimal as text, not negative */
            days: string;
            /** @description Exact decimal as text, not negative */
            dayRate: string;
            /** @description Hours of work in such a day */
            dayHours: string;
            rateId?: string;
        } | {
            /** @constant */
            type: "equipment";
            /** @description Exact decimal as text, not negative */
            times: string;
            per: "hour" | "day";
            /** @description Exact decimal as text, not negative */
            rate: string;
        } | {
            type: "material" | "equipment" | "subcontract" | "other";
            /** @description Exact decimal as text */
            amount: string;
            crew?: {
                id: string;
                /** @description Exact decimal as text, not negative */
                hours: string;
            };
        };
        CreditAsk: {
            /** @constant */
            whole: true;
        } | {
            /** @description Exact decimal as text, not negative */
            amount: string;
        } | {
            lines: {
                line: string;
                /** @description Exact decimal as text */
                amount: string;
            }[];
        };
        CustomerInput: {
            name: string;
            contactName: string;
            email: "" | string;
            phone: string;
            billing: components["schemas"]["Address"];
            internalNote: string;
            /** @description Our note is shown before work starts */
            alert?: boolean;
            taxExempt?: string;
            people?: {
                /** Format: uuid */
                id: string;
                name: string;
                role: string;
                email: "" | string;
                phone: string;
                /** @description Letters about proposals go to them */
                getsOffers: boolean;
                /** @description Letters about invoices go to them */
                getsInvoices: boolean;
            }[];
        };
        Discount: {
            /** @description Percent as text */
            percent: string;
            /** @description Why, as the customer reads it */
            reason?: string;
        } | {
            /** @description Exact decimal as text, not negative */
            amount: string;
            /** @description Why, as the customer reads it */
            reason?: string;
        };
        InvoiceShows: {
            /** @enum {unknown} */
            unbilled: "hidden" | "zero";
            /** @enum {unknown} */
            bundles: "agreed" | "one" | "parts";
            /** @enum {unknown} */
            rows?: "section" | "stage" | "none";
            /** @enum {unknown} */
            summary?: "section" | "stage" | "kind";
            /** @enum {unknown} */
            codes?: "cost" | "item" | "both";
            balance?: boolean;
            each?: {
                [key: string]: "hidden" | "zero";
            };
            eachBundle?: {
                [key: string]: "one" | "parts";
            };
        };
        LibraryBundle: {
            code: string;
            name: string;
            detail: string;
            trade: string;
            tags: string[];
            internalNote: string;
            shows: "one" | "parts";
            /** @description Absent: as it was; null: none */
            picture?: string | null;
            recipe: components["schemas"]["Recipe"];
        };
        LibraryItem: {
            code: string;
            name: string;
            detail: string;
            trade: string;
            unit: components["schemas"]["Unit"];
            costs: components["schemas"]["CostPart"][];
            /** @description Percent as text */
            waste?: string;
            /** @description Exact decimal as text, not negative */
            pack?: string;
            /** @description Exact decimal as text, not negative */
            minimumCharge?: string;
            breaks?: components["schemas"]["PriceBreaks"];
            loads?: components["schemas"]["Load"][];
            /**
             * Format: uuid
             * @description The kept picture
             */
            picture?: string;
            taxClass: string;
            costCode: string;
            tags: string[];
            internalNote: string;
            /** @description Where it is bought, for us only */
            supplierNote?: string;
        };
        Line: {
            /** @constant */
            kind: "line";
            id: string;
            /** @description More for the customer to read */
            detail?: string;
            /** @description For us only; never reaches the customer */
            internalNote?: string;
            /** @description For those who do the work; never reaches the customer */
            crewNote?: string;
            /**
             * Format: uuid
             * @description A picture for the customer, as a kept file, before that of the item
             */
            picture?: string;
            /** @description The library item it was taken from */
            itemId?: string;
            code?: string;
            description: string;
            unit: components["schemas"]["Unit"];
            /** @description Unit cost by cost type, from the library */
            costs: components["schemas"]["CostPart"][];
            /** @description Percent of material that is ordered beyond what is measured */
            waste?: string;
            /** @description Material is ordered in whole packs of this many units */
            pack?: string;
            /** @description The least the line comes to for the customer */
            minimumCharge?: string;
            breaks?: components["schemas"]["PriceBreaks"];
            /** @description Markup of its own, instead of the proposal’s */
            loads?: components["schemas"]["Load"][];
            markups?: components["schemas"]["Markups"];
            taxClass: string;
            costCode?: string;
            trade?: string;
            /** @description What the item has where this line says otherwise; taking it back puts this in its place */
            fromLibrary?: {
                costs?: components["schemas"]["CostPart"][];
                loads?: components["schemas"]["Load"][] | null;
                markups?: components["schemas"]["Markups"] | null;
                taxClass?: string;
                costCode?: string | null;
            };
            /** @description With a formula: what it came to when this was written; the formula counts */
            quantity: string;
            formula?: string;
            /** @description The quantity as it was typed: 38+64+22 */
            quantityTyped?: string;
            /** @description Nobody has confirmed the quantity yet */
            quantityOpen?: boolean;
            /** @description The quantity we think will be measured in the end, for us only */
            expected?: string;
            /** @description Unit cost typed over the library cost */
            typedCost?: string;
            /** @description Unit price typed by hand; no tool moves it */
            heldPrice?: string;
            /** @description Unit price set by shaping to a target; stands until it is shaped again or let go */
            shapedPrice?: string;
            pricePlaces?: number;
            discount?: components["schemas"]["Discount"];
            /** @description Labor at the overtime rate */
            overtime?: boolean;
            phase?: string;
            room?: string;
            /** @description What is not decided yet, for us only */
            open?: string;
            extra?: {
                /** @description Taken in unless the customer decides otherwise */
                in: boolean;
                /**
                 * Format: date
                 * @description Business date
                 */
                until?: string;
                /** @description The customer may set the quantity within these limits */
                quantity?: {
                    /** @description Exact decimal as text, not negative */
                    minimum: string;
                    /** @description Exact decimal as text, not negative */
                    maximum: string;
                    /** @description Exact decimal as text, not negative */
                    step: string;
                };
            };
            allowance?: components["schemas"]["Allowance"];
            /** @description The agreed line this leaves out, and how much of it */
            omits?: {
                line: string;
                /** @description Exact decimal as text, not negative */
                quantity: string;
            };
            /** @description In a change order: the agreed allowance whose difference this settles */
            settles?: string;
        };
        Load: {
            id: string;
            name: string;
            kind: "overhead" | "profit" | "bond" | "contingency" | "commission";
            /** @description Percent as text */
            percent: string;
            /** @description direct cost, running amount, or price (divide by 1 − rate) */
            base: "direct" | "running" | "price";
            /** @description Only on these cost types */
            costTypes?: ("material" | "labour" | "equipment" | "subcontract" | "other")[];
        };
        /** @description Percent on direct cost of a type, instead of the loads */
        Markups: {
            /** @description Percent as text */
            material?: string;
            /** @description Percent as text */
            labour?: string;
            /** @description Percent as text */
            equipment?: string;
            /** @description Percent as text */
            subcontract?: string;
            /** @description Percent as text */
            other?: string;
        };
        PartChange: {
            /** @constant */
            out?: true;
            description?: string;
            quantity?: string;
            /** @description Exact decimal as text */
            typedCost?: string;
            /** @description Exact decimal as text */
            heldPrice?: string;
            /** @description Exact decimal as text, not negative */
            shapedPrice?: string;
            overtime?: boolean;
            item?: components["schemas"]["PricedItem"];
            costs?: components["schemas"]["CostPart"][];
            loads?: components["schemas"]["Load"][] | null;
            markups?: components["schemas"]["Markups"] | null;
            taxClass?: string;
            costCode?: string | null;
        };
        PriceBreaks: {
            costType: "material" | "equipment" | "subcontract" | "other";
            /** @description whole: all of it at the break reached; graduated: each stretch at its own */
            kind: "whole" | "graduated";
            steps: {
                /** @description Exact decimal as text, not negative */
                from: string;
                /** @description Exact decimal as text, not negative */
                amount: string;
            }[];
        };
        PricedItem: {
            /** @description The library item it was taken from */
            itemId?: string;
            code?: string;
            description: string;
            unit: components["schemas"]["Unit"];
            /** @description Unit cost by cost type, from the library */
            costs: components["schemas"]["CostPart"][];
            /** @description Percent of material that is ordered beyond what is measured */
            waste?: string;
            /** @description Material is ordered in whole packs of this many units */
            pack?: string;
            /** @description The least the line comes to for the customer */
            minimumCharge?: string;
            breaks?: components["schemas"]["PriceBreaks"];
            /** @description Markup of its own, instead of the proposal’s */
            loads?: components["schemas"]["Load"][];
            markups?: components["schemas"]["Markups"];
            taxClass: string;
            costCode?: string;
            trade?: string;
        };
        /** @description A proposal document, as its export is */
        ProposalDocument: {
            /** @constant */
            format: "impegno-proposal";
            /** @constant */
            formatVersion: 1;
            /**
             * @description The edition of the rules it is reckoned by; without it the first, in which a line’s own discount also comes off its minimum charge
             * @constant
             */
            reckoning?: 2;
            title: string;
            /** @description ISO 4217 */
            currency: string;
            coverNote?: string;
            internalNote?: string;
            terms?: string;
            /**
             * Format: date
             * @description Prices hold until the end of this day
             */
            validUntil?: string;
            /** @description How much the customer sees: one price, section prices, line amounts, line amounts with unit prices */
            shows: "total" | "sections" | "lines" | "prices";
            area?: {
                name: string;
                /** @description Exact decimal as text, not negative */
                material: string;
                /** @description Exact decimal as text, not negative */
                labour: string;
                /** @description Exact decimal as text, not negative */
                equipment: string;
            };
            /**
             * @description Lengths and areas are shown in meters; without it in feet. What is kept is in feet either way, but for what a typed text says
             * @constant
             */
            measuring?: "metric";
            measures?: {
                id: string;
                name: string;
                kind: "length" | "area" | "count";
                /** @description Exact decimal as text, not negative */
                value: string;
                typed?: string;
            }[];
            /** @description Sizes of rooms. A line or bundle follows that of the room it names; a section without a space of its own that of the room it names */
            rooms?: components["schemas"]["Room"][];
            plans?: {
                id: string;
                name: string;
                /**
                 * Format: uuid
                 * @description The kept picture
                 */
                file: string;
                /** @description Tenths of a pixel */
                width: number;
                /** @description Tenths of a pixel */
                height: number;
                /** @description Two points and the length between them */
                scale?: {
                    /** @description Across and down from the top left corner, in tenths of a pixel of the picture */
                    from: number[];
                    /** @description Across and down from the top left corner, in tenths of a pixel of the picture */
                    to: number[];
                    length: {
                        /** @description Feet */
                        value: string;
                        /** @description As it was typed: 12' 6" */
                        typed?: string;
                    };
                };
                traced: {
                    id: string;
                    /** @description In formulas; an area also gives NAME_edge */
                    name: string;
                    label: string;
                    kind: "area" | "length" | "count";
                    figures: {
                        points: number[][];
                        /**
                         * @description An outline that is taken off the area
                         * @constant
                         */
                        cut?: true;
                    }[];
                }[];
                /**
                 * @description The customer sees the plan with what was traced on it
                 * @constant
                 */
                shown?: true;
            }[];
            sections: components["schemas"]["Section"][];
            loads: components["schemas"]["Load"][];
            discount?: components["schemas"]["Discount"];
            fees: {
                id: string;
                name: string;
                amount: {
                    /** @description Exact decimal as text, not negative */
                    fixed: string;
                } | {
                    /** @description Percent as text */
                    percent: string;
                    /** @description It never comes to more than this */
                    most?: string;
                };
                taxClass: string;
            }[];
            taxClasses: components["schemas"]["TaxClass"][];
            tax?: {
                /**
                 * @description Each component is rounded on every line; without it, once per class
                 * @constant
                 */
                rounding?: "line";
                /**
                 * @description Prices, discounts and fees include the tax
                 * @constant
                 */
                inside?: true;
                /**
                 * @description The customer sees prices including tax; without it, before tax, and the tax below. What is paid is the same
                 * @constant
                 */
                shown?: "with tax";
                /** @description The customer pays no tax, and why */
                exempt?: {
                    reason: string;
                };
            };
            tiers?: {
                id: string;
                prompt: string;
                detail?: string;
                /** @description The section it is of; without one, the whole proposal */
                section?: string;
                levels: {
                    id: string;
                    name: string;
                    detail?: string;
                    /** @description Bundle → its grade at this level; bundles not named keep their own */
                    grades: {
                        [key: string]: string;
                    };
                    /** @description Lines, questions, bundles and sections that are not in at this level */
                    without: string[];
                }[];
                /** @description The level taken unless the customer picks another */
                suggested: string;
                recommended?: {
                    level: string;
                    reason?: string;
                };
                /**
                 * Format: date
                 * @description Business date
                 */
                until?: string;
                /**
                 * @description Whole offers: which section is in which is what tells them apart
                 * @constant
                 */
                offers?: true;
            }[];
            rules?: {
                id: string;
                /** @description Something a customer can take: an extra, one alternative, one level */
                when: {
                    extra: string;
                } | {
                    question: string;
                    alternative: string;
                } | {
                    tiers: string;
                    level: string;
                };
                says: "needs" | "rules out";
                /** @description Something a customer can take: an extra, one alternative, one level */
                other: {
                    extra: string;
                } | {
                    question: string;
                    alternative: string;
                } | {
                    tiers: string;
                    level: string;
                };
                /** @description Why, for the customer to read */
                reason?: string;
            }[];
            schedule: components["schemas"]["ScheduleEntry"][];
            stages?: components["schemas"]["Stage"][];
            /** @description How the agreement is billed */
            billing?: {
                /** @description What is held back of every invoice for work, including tax, until it is released */
                retainage?: {
                    /** @description Percent as text */
                    percent: string;
                    /** @description Percent of the sum to date: never more than this is held */
                    limit?: string;
                };
                /**
                 * @description The deposit is money paid ahead: billed by itself, then counted off every invoice in proportion. Without it, the deposit bills the first part of the work
                 * @constant
                 */
                deposit?: "advance";
                /** @description What must be ordered specially before work begins; where the law lets a deposit be as much */
                specialOrder?: string;
            };
            /** @description A change order: it has no schedule of its own but changes that of its agreement */
            change?: {
                /** @description The number of the agreement */
                agreement: number;
                /** @description Which of its change orders this is */
                number: number;
                spread: "spread" | "next" | "last" | "own";
            };
        };
        Question: {
            /** @constant */
            kind: "question";
            id: string;
            prompt: string;
            detail?: string;
            alternatives: components["schemas"]["Alternative"][];
            /** @description The alternative taken unless the customer picks another; “none” where that is allowed */
            suggested: string;
            /** @description None of them may be picked, under this name */
            none?: {
                name: string;
            };
            /** @description The one we advise, and why */
            recommended?: {
                alternative: string;
                reason?: string;
            };
            /**
             * Format: date
             * @description Business date
             */
            until?: string;
        };
        Recipe: {
            inputs: {
                name: string;
                label: string;
                kind: "number" | "length" | "area" | "count" | "yesno" | "oneof";
                /** @description What stands where nothing is typed: a quantity, yes or no, or one of the options */
                default: string;
                /** @description A formula over the section’s space, used where the section has one */
                fromSpace?: string;
                /** @description Exact decimal as text */
                minimum?: string;
                /** @description Exact decimal as text */
                maximum?: string;
                options?: string[];
                help?: string;
            }[];
            grades: {
                id: string;
                name: string;
                detail?: string;
            }[];
            parts: ({
                id: string;
                name: string;
                /** @description The part is there only where this holds */
                when?: string;
                /** @description Key of the item; null: only in grades that name one */
                item: string | null;
                quantity: string;
                /** @description By grade: the item that stands instead, or null where the part is dropped */
                grades?: {
                    [key: string]: string | null;
                };
            } | {
                id: string;
                name: string;
                /** @description The part is there only where this holds */
                when?: string;
                bundle: string;
                values: {
                    [key: string]: string;
                };
                /** @description Else the outer grade, where it has one so named */
                grade?: string;
                times?: string;
            })[];
        };
        Room: {
            id: string;
            /** @description As sections and lines name it */
            name: string;
            space: components["schemas"]["Space"];
        };
        ScheduleEntry: {
            id: string;
            name: string;
            kind: "deposit" | "stage" | "final";
            share: {
                /** @description Percent as text */
                percent: string;
            } | {
                /** @description Exact decimal as text, not negative */
                amount: string;
            } | {
                /** @constant */
                rest: true;
            };
            due: {
                /** @constant */
                on: "acceptance";
            } | {
                /** @constant */
                on: "date";
                /**
                 * Format: date
                 * @description Business date
                 */
                date: string;
            } | {
                /** @constant */
                on: "days";
                days: number;
            } | {
                /** @constant */
                on: "stage";
                stage: string;
            };
        };
        Section: {
            id: string;
            title: string;
            text?: string;
            internalNote?: string;
            discount?: components["schemas"]["Discount"];
            /** @description Markup of its own, instead of the proposal’s */
            loads?: components["schemas"]["Load"][];
            /** @description The whole section may be left out */
            extra?: {
                in: boolean;
                /**
                 * Format: date
                 * @description Business date
                 */
                until?: string;
            };
            space?: components["schemas"]["Space"];
            phase?: string;
            room?: string;
            entries: (components["schemas"]["Line"] | components["schemas"]["Question"] | components["schemas"]["Bundle"])[];
        };
        Space: {
            shape: {
                /** @constant */
                kind: "rectangle";
                length: {
                    /** @description Feet */
                    value: string;
                    /** @description As it was typed: 12' 6" */
                    typed?: string;
                };
                width: {
                    /** @description Feet */
                    value: string;
                    /** @description As it was typed: 12' 6" */
                    typed?: string;
                };
            } | {
                /** @constant */
                kind: "outline";
                /** @description Sides in order with the turn between them, r or l: 16 r 10 r 6 l 5 r 10 r 15 */
                walk: string;
            } | {
                /** @constant */
                kind: "traced";
                measure: string;
            };
            height?: {
                /** @description Feet */
                value: string;
                /** @description As it was typed: 12' 6" */
                typed?: string;
            };
            openings: {
                id: string;
                name: string;
                width: {
                    /** @description Feet */
                    value: string;
                    /** @description As it was typed: 12' 6" */
                    typed?: string;
                };
                height: {
                    /** @description Feet */
                    value: string;
                    /** @description As it was typed: 12' 6" */
                    typed?: string;
                };
                count: number;
            }[];
        };
        /** @description A stage (what payments wait for, or a phase of the work), and the day it is planned to be done */
        Stage: {
            name: string;
            /**
             * Format: date
             * @description Business date
             */
            planned?: string;
        };
        TaxClass: {
            id: string;
            name: string;
            components: {
                id: string;
                name: string;
                /** @description Percent as text */
                percent: string;
                /** @description Also on the components before it: a second tax on top of the first */
                onTop?: boolean;
            }[];
        };
        Unit: ("each" | "ft" | "sqft" | "square" | "cuyd" | "bdft" | "m" | "sqm" | "cum" | "kg" | "liter" | "lb" | "gal" | "hour" | "day" | "set" | "job") | string;
    };
    responses: never;
    parameters: never;
    requestBodies: never;
    headers: never;
    pathItems: never;
}
export type $defs = Record<string, never>;
export interface operations {
    readAccess: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        company: {
                            name: string;
                            currency: string;
                            /** @description As the IANA names it */
                            timeZone: string;
                            units: "us" | "metric";
                            /** @description It is the demo: nothing of it is real */
                            demo: boolean;
                        };
                        /** @description In whose name it acts */
                        name: string;
                        program: string | null;
                        permissions: string[];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listWebhooks: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            address: string;
                            events: string[];
                            by: string;
                            /**
                             * Format: date-time
                             * @description Instant, UTC
                             */
                            createdAt: string;
                            waiting: number;
                            failed: number;
                        }[];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addWebhook: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description Where it goes: https */
                    address: string;
                    /** @description Which news */
                    events: ("customer.added" | "customer.changed" | "customer.removed" | "proposal.begun" | "proposal.sent" | "proposal.accepted" | "proposal.declined" | "proposal.withdrawn" | "agreement.changed" | "agreement.progressed" | "invoice.issued" | "invoice.credited" | "payment.recorded" | "payment.reversed" | "library.changed")[];
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        /** @description Signs what is sent */
                        secret: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    endWebhook: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listCustomers: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description `open`, `agreement` or `none`: with something open, an agreement, no proposal */
                with?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            name: string;
                            contact: string;
                            phone: string;
                            email: string;
                            proposals: number;
                            agreements: number;
                            /** @description What they have not paid of what was billed */
                            open: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addCustomer: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CustomerInput"];
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        siteId: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readCustomer: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        name: string;
                        contactName: string;
                        email: "" | string;
                        phone: string;
                        billing: components["schemas"]["Address"];
                        internalNote: string;
                        /** @description Our note is shown before work starts */
                        alert?: boolean;
                        taxExempt?: string;
                        people: {
                            /** Format: uuid */
                            id: string;
                            name: string;
                            role: string;
                            email: "" | string;
                            phone: string;
                            /** @description Letters about proposals go to them */
                            getsOffers: boolean;
                            /** @description Letters about invoices go to them */
                            getsInvoices: boolean;
                        }[];
                        /** @description What was known of them as a person was removed */
                        forgotten: boolean;
                        sites: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            address: {
                                street: string;
                                city: string;
                                region: string;
                                postcode: string;
                                country: string;
                            };
                            internalNote: string;
                        }[];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    changeCustomer: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["CustomerInput"];
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addSite: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    address: components["schemas"]["Address"];
                    internalNote: string;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    changeSite: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                site: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    address: components["schemas"]["Address"];
                    internalNote: string;
                };
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    statementOfAccount: {
        parameters: {
            query?: {
                /** @description A day */
                from?: string;
                /** @description A day */
                to?: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listProposals: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description One state, or several with commas between */
                state?: string;
                /** @description Last change, `FROM..TO`; either can be left out */
                changed?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            number: number;
                            title: string;
                            /** @enum {unknown} */
                            state: "draft" | "sent" | "accepted" | "declined" | "lapsed" | "withdrawn";
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            customerId: string;
                            customer: string;
                            site: string;
                            seller: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            created: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            changed: string;
                            opened: string | null;
                            validUntil: string | null;
                            /** @description As it is suggested, with tax */
                            total: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    startProposal: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** Format: uuid */
                    customerId: string;
                    /** Format: uuid */
                    siteId: string;
                    title: string;
                    templateId: string | null;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    importProposal: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** Format: uuid */
                    customerId: string;
                    /** Format: uuid */
                    siteId: string;
                    document: components["schemas"]["ProposalDocument"];
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readProposal: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: number;
                        /** @enum {unknown} */
                        state: "draft" | "sent" | "accepted" | "declined" | "lapsed" | "withdrawn";
                        /** @description Counts the changes; said again with a change */
                        saveNumber: number;
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        customerId: string;
                        seller: string;
                        revisions: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            number: number;
                            /**
                             * Format: date-time
                             * @description Instant, UTC
                             */
                            sentAt: string;
                            /** @description Of the document as it was sent */
                            sha256: string;
                        }[];
                        agreementId: string | null;
                        offered: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            revisionId: string;
                            /** @description Amount as decimal text */
                            total: string;
                        } | null;
                        document: components["schemas"]["ProposalDocument"];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    changeProposal: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description As it was read */
                    saveNumber: number;
                    document: components["schemas"]["ProposalDocument"];
                };
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        saveNumber: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    copyProposal: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** Format: uuid */
                    customerId: string;
                    /** Format: uuid */
                    siteId: string;
                    title: string;
                    costs: "kept" | "refreshed";
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    sendProposal: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    saveNumber: number;
                    /** Format: emails */
                    to: string;
                    words: string;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        revision: number;
                        /**
                         * Format: uri
                         * @description The private link: whoever has it may choose and sign
                         */
                        address: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    acceptForCustomer: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** Format: uuid */
                    revisionId: string;
                    total: string;
                    signerName: string;
                    told: {
                        /** @constant */
                        kind: "told";
                        how: "by phone" | "in person" | "by letter" | "by mail";
                        /**
                         * Format: date
                         * @description Business date
                         */
                        on: string;
                        words: string;
                    };
                    idempotencyKey: string;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        agreementId: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    withdrawProposal: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listTemplates: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            name: string;
                            about: string;
                        }[];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    proposalDocument: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    proposalPdf: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    tracedPlan: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                plan: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/geo+json": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listAgreements: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description `under way` or `finished` */
                show?: string;
                /** @description The day, `FROM..TO`; either can be left out */
                signed?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            number: number;
                            title: string;
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            customerId: string;
                            customer: string;
                            site: string;
                            seller: string | null;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            signed: string;
                            /** @description To date, with its change orders and tax */
                            sum: string;
                            /** @description Amount as decimal text */
                            billed: string;
                            /** @description Amount as decimal text */
                            paid: string;
                            /** @description Billed and not paid */
                            open: string;
                            /** @description Not billed yet */
                            left: string;
                            /** @description Retainage that is held */
                            held: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readAgreement: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: number;
                        title: string;
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        customerId: string;
                        site: string;
                        currency: string;
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        proposalId: string;
                        /**
                         * Format: date-time
                         * @description Instant, UTC
                         */
                        acceptedAt: string;
                        signerName: string;
                        /** @description Amount as decimal text */
                        net: string;
                        /** @description Amount as decimal text */
                        tax: string;
                        /** @description As it was signed */
                        total: string;
                        /** @description With its change orders */
                        sumToDate: string;
                        /** @description Amount as decimal text */
                        billed: string;
                        /** @description Amount as decimal text */
                        paid: string;
                        /** @description Amount as decimal text */
                        leftToBill: string;
                        /** @description Retainage that is held */
                        held: string;
                        /** @description Of the customer, on this agreement */
                        credit: string;
                        lines: {
                            id: string;
                            change: number | null;
                            section: string;
                            stage: string | null;
                            description: string;
                            quantity: string;
                            unit: string;
                            /** @description Amount as decimal text */
                            agreed: string;
                            /** @description Amount as decimal text */
                            billed: string;
                            /** @description Amount as decimal text */
                            left: string;
                        }[];
                        schedule: {
                            id: string;
                            name: string;
                            /** @description Amount as decimal text */
                            amount: string;
                            /** @description Amount as decimal text */
                            billed: string;
                            toBill: boolean;
                            from: string | null;
                        }[];
                        stages: {
                            name: string;
                            plannedOn: string | null;
                            doneOn: string | null;
                            percent: string | null;
                            /** @description Amount as decimal text */
                            agreed: string;
                            /** @description Amount as decimal text */
                            left: string;
                        }[];
                        invoices: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            number: string;
                            kind: string;
                            title: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            issuedOn: string;
                            dueOn: string | null;
                            /** @description Amount as decimal text */
                            total: string;
                            /** @description Amount as decimal text */
                            paid: string;
                            /** @description Amount as decimal text */
                            open: string;
                        }[];
                        payments: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            method: string;
                            methodName: string | null;
                            /** @description Amount as decimal text */
                            amount: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            receivedOn: string;
                            reference: string;
                            gone: string | null;
                        }[];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    reportStage: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    name: string;
                    plannedOn?: string | null;
                    doneOn?: string | null;
                    percent?: string;
                };
            };
        };
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listCertificates: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            kind: string;
                            title: string;
                            /** @description Amount as decimal text */
                            total: string;
                            signer: string;
                            /**
                             * Format: date-time
                             * @description Instant, UTC
                             */
                            signedAt: string;
                            recordedBy: string | null;
                            /** @description Of the statement that was signed */
                            sha256: string;
                            documentSha256: string;
                            intact: boolean;
                        }[];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listCosts: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description One type, or several with commas between */
                costType?: string;
                /** @description `FROM..TO`; either can be left out */
                day?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            day: string;
                            what: string;
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            agreementId: string;
                            /** @description The line, stage or cost code it is for */
                            for: string;
                            costCode: string;
                            costType: string;
                            supplier: string;
                            hours: string | null;
                            invoiceId: string | null;
                            by: string;
                            /** @description Taken back, or what takes it back: together nothing */
                            void: boolean;
                            /** @description Amount as decimal text */
                            amount: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    recordCost: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    what: string;
                    costType: "material" | "labour" | "equipment" | "subcontract" | "other";
                    /**
                     * Format: date
                     * @description Business date
                     */
                    spentOn: string;
                    /** @description Exact decimal as text, not negative */
                    amount?: string;
                    /** @description Exact decimal as text, not negative */
                    hours?: string;
                    /** @description Exact decimal as text, not negative */
                    rate?: string;
                    lineId?: string;
                    stage?: string;
                    costCode?: string;
                    supplier: string;
                    /** Format: uuid */
                    invoiceId?: string;
                    idempotencyKey: string;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    importCosts: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        /** @description At most 25 MB */
        requestBody: {
            content: {
                "text/csv": string;
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": string;
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        taken: number;
                        /** @description Recorded before */
                        known: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    jobList: {
        parameters: {
            query?: {
                /** @description stages, codes, types, lines, costs, cash, allowances */
                list?: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    draftInvoicePdf: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    signedStatement: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
                sha256: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listInvoices: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description `outstanding`, `overdue`, `settled`; several with commas */
                state?: string;
                /** @description The day, `FROM..TO`; either can be left out */
                issued?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            number: string;
                            what: string;
                            kind: string;
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            agreementId: string;
                            agreementNumber: number;
                            customer: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            issued: string;
                            due: string | null;
                            /** @description Paid, open, overdue, credited and so on; a credit note is `credit note` */
                            state: string;
                            overdue: boolean;
                            /** @description Amount as decimal text */
                            total: string;
                            /** @description Amount as decimal text */
                            paid: string;
                            /** @description Amount as decimal text */
                            open: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    issueInvoice: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** Format: uuid */
                    agreementId: string;
                    what: components["schemas"]["BillingAsk"];
                    title?: string;
                    shows?: components["schemas"]["InvoiceShows"];
                    remark?: string;
                    seen?: number;
                    /**
                     * Format: date
                     * @description Business date
                     */
                    dueOn?: string;
                    send?: {
                        /** Format: emails */
                        to: string;
                        words: string;
                        attach?: {
                            invoice?: boolean;
                            statement?: boolean;
                            waiver?: boolean;
                            photos?: string[];
                        };
                    };
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: string;
                        sentTo: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    keepDraft: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    what: components["schemas"]["BillingAsk"];
                    title: string;
                    shows: components["schemas"]["InvoiceShows"];
                    remark: string;
                };
            };
        };
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    dropDraft: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readInvoice: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: string;
                        kind: string;
                        title: string;
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        agreementId: string;
                        currency: string;
                        /**
                         * Format: date
                         * @description Business date
                         */
                        issuedOn: string;
                        dueOn: string | null;
                        /** @description Paid, open, overdue, credited and so on; a credit note is `credit note` */
                        state: string;
                        overdue: boolean;
                        credits: string | null;
                        /** @description Amount as decimal text */
                        total: string;
                        /** @description Amount as decimal text */
                        paid: string;
                        /** @description Amount as decimal text */
                        open: string;
                        lines: {
                            description: string;
                            /** @description Amount as decimal text */
                            net: string;
                        }[];
                        remark: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    creditInvoice: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    what: components["schemas"]["CreditAsk"];
                    remark: string;
                    seen?: number;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    sendInvoice: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    send?: {
                        /** Format: emails */
                        to: string;
                        words: string;
                        attach?: {
                            invoice?: boolean;
                            statement?: boolean;
                            waiver?: boolean;
                            photos?: string[];
                        };
                    };
                };
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        to: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    invoicePdf: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    invoiceXml: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/xml": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    progressStatement: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listPayments: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description One kind, or several with commas between */
                kind?: string;
                /** @description `FROM..TO`; either can be left out */
                day?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            /** @enum {unknown} */
                            kind: "payment" | "returned" | "void" | "reinstated" | "refund";
                            /**
                             * Format: date
                             * @description Business date
                             */
                            day: string;
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            customerId: string;
                            customer: string;
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            agreementId: string;
                            method: string;
                            methodName: string | null;
                            /** @description Reference or reason */
                            text: string;
                            /** @description Below zero: out again */
                            amount: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    recordPayment: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** Format: uuid */
                    agreementId: string;
                    /** @enum {string} */
                    method: "cheque" | "ach" | "wire" | "transfer" | "cash" | "phone";
                    methodName?: string;
                    /** @description Exact decimal as text, not negative */
                    amount: string;
                    /**
                     * Format: date
                     * @description Business date
                     */
                    receivedOn: string;
                    reference: string;
                    idempotencyKey: string;
                    sure?: boolean;
                    /** Format: uuid */
                    first?: string;
                    parts?: {
                        /** Format: uuid */
                        invoiceId: string;
                        /** @description Exact decimal as text, not negative */
                        amount: string;
                    }[];
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    reversePayment: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description Returned by the bank (as left out), or void: recorded by mistake, it never came */
                    kind?: "returned" | "void";
                    reason: string;
                    /**
                     * Format: date
                     * @description When it was returned. A void payment is void from the day it bears
                     */
                    on?: string;
                    idempotencyKey: string;
                };
            };
        };
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    receiptPdf: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/pdf": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listLibrary: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description `item` or `bundle` */
                kind?: string;
                /** @description One trade, or several with commas between */
                trade?: string;
                /** @description `used` or `retired` */
                state?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            /** @enum {unknown} */
                            kind: "item" | "bundle";
                            code: string;
                            name: string;
                            trade: string;
                            tags: string[];
                            unit: string | null;
                            unitCost: string | null;
                            retired: boolean;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addItem: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LibraryItem"];
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readItem: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        retired: boolean;
                        item: components["schemas"]["LibraryItem"];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    changeItem: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LibraryItem"];
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    retireItem: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    retired: boolean;
                };
            };
        };
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    addBundle: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["LibraryBundle"];
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        edition: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readBundle: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        edition: number;
                        bundle: components["schemas"]["LibraryBundle"];
                        makeup: components["schemas"]["BundleMakeup"];
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    changeBundle: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /** @description As it was read */
                    edition: number;
                    bundle: components["schemas"]["LibraryBundle"];
                };
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        edition: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    retireBundle: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    retired: boolean;
                };
            };
        };
        responses: {
            /** @description It is done */
            204: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    libraryCsv: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    libraryXlsx: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    keepPicture: {
        parameters: {
            query?: {
                /** @description `picture` or `plan` */
                kind?: string;
                name?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        /** @description At most 25 MB */
        requestBody: {
            content: {
                "image/jpeg": string;
                "image/png": string;
                "image/webp": string;
            };
        };
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        width: number;
                        height: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    readPicture: {
        parameters: {
            query?: {
                small?: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "image/jpeg": string;
                    "image/png": string;
                    "image/webp": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listLetters: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description proposal, acceptance, answer, selections, invoice, reminder, statement, invitation, trial */
                kind?: string;
                /** @description delivered, returned, waiting, failed */
                state?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            /**
                             * Format: date-time
                             * @description Instant, UTC
                             */
                            at: string;
                            kind: string;
                            to: string;
                            subject: string;
                            customerId: string | null;
                            proposalId: string | null;
                            /** @enum {unknown} */
                            state: "waiting" | "delivered" | "returned" | "failed";
                            /** @description What its carrier said of it */
                            note: string;
                            attachments: string[];
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    letterAttachment: {
        parameters: {
            query?: {
                n?: string;
            };
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "*/*": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listAsFile: {
        parameters: {
            query?: {
                /** @description `csv`, as where it is left out, or `xlsx` */
                format?: string;
                search?: string;
                sort?: string;
                /** @description Filters, each a parameter of its own, as they stand in the address of the page */
                filters?: {
                    [key: string]: string;
                };
            };
            header?: never;
            path: {
                list: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    lookingBack: {
        parameters: {
            query?: {
                /** @description agreements, sellers, trades, items */
                list?: string;
                year?: string;
                days?: string;
                /** @description `csv`, as where it is left out, or `xlsx` */
                format?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    moneyReport: {
        parameters: {
            query?: {
                show?: string;
                /** @description `csv`, as where it is left out, or `xlsx` */
                format?: string;
                /** @description Filters, each a parameter of its own, as they stand in the address of the page */
                filters?: {
                    [key: string]: string;
                };
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    taxReport: {
        parameters: {
            query?: {
                from?: string;
                to?: string;
                /** @description `csv`, as where it is left out, or `xlsx` */
                format?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listBatches: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            number: number;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            from: string;
                            /**
                             * Format: date
                             * @description Business date
                             */
                            to: string;
                            /**
                             * Format: date-time
                             * @description Instant, UTC
                             */
                            madeAt: string;
                            by: string;
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    makeBatch: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": {
                    /**
                     * Format: date
                     * @description Business date
                     */
                    from: string;
                    /**
                     * Format: date
                     * @description Business date
                     */
                    to: string;
                };
            };
        };
        responses: {
            /** @description It is made */
            201: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        /**
                         * Format: uuid
                         * @description Identity (UUID)
                         */
                        id: string;
                        number: number;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    listHistory: {
        parameters: {
            query?: {
                /** @description The `next` of the page before; without it, the first page */
                after?: string;
                /** @description Rows of a page, 50 where it is left out */
                limit?: number;
                /** @description Only what has all of these words */
                search?: string;
                /** @description The day, `FROM..TO`; either can be left out */
                at?: string;
                /** @description Of one thing only, by its identity */
                of?: string;
            };
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description As it is */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/json": {
                        rows: {
                            /**
                             * Format: uuid
                             * @description Identity (UUID)
                             */
                            id: string;
                            /**
                             * Format: date-time
                             * @description Instant, UTC
                             */
                            at: string;
                            /** @description Empty: a customer, or the server by itself */
                            who: string;
                            act: string;
                            about: string;
                            /** @description What it was done to: mostly an identity */
                            subject: string;
                            kind: string | null;
                            says: string[];
                        }[];
                        next: string | null;
                    };
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    batchItems: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    batchJournal: {
        parameters: {
            query?: never;
            header?: never;
            path: {
                id: string;
            };
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/csv": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    dueDates: {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody?: never;
        responses: {
            /** @description The file */
            200: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "text/calendar": string;
                };
            };
            /** @description The token opens nothing */
            401: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description The program was not given this */
            403: {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
            /** @description Refused, and why */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content: {
                    "application/problem+json": components["schemas"]["Problem"];
                };
            };
        };
    };
    "news.customer.added": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.customer.changed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.customer.removed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.proposal.begun": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.proposal.sent": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.proposal.accepted": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.proposal.declined": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.proposal.withdrawn": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.agreement.changed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.agreement.progressed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.invoice.issued": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.invoice.credited": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.payment.recorded": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.payment.reversed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
    "news.library.changed": {
        parameters: {
            query?: never;
            header?: never;
            path?: never;
            cookie?: never;
        };
        requestBody: {
            content: {
                "application/json": components["schemas"]["News"];
            };
        };
        responses: {
            /** @description The door wants no more news: it is ended */
            410: {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is taken */
            "2XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
            /** @description It is sent again, nine times in some four hours */
            "4XX": {
                headers: {
                    [name: string]: unknown;
                };
                content?: never;
            };
        };
    };
}
